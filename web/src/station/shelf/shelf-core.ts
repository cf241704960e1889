/** What the shelf needs of core: loaded beside it, so that it shows before it can read. */
export { type Machine, machineFrom, newMachine } from '@tesseron/core/machine';
export { sayProblem } from '@tesseron/core/words';
export { openMachineFile, readMachineFile, saveFile } from '../../keep/files';
export { lastReadable } from '../../keep/machines';
export { loadStarter } from '../../keep/starters';
