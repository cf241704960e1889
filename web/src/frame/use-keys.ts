import { useEventListener } from '@vueuse/core';
import { useRouter } from 'vue-router';
import { useMachine } from '../machine/store';
import { useClock } from '../run/clock';
import { STATIONS } from '../station/stations';

/** All keys, for the help panel: what is pressed, and what it does. */
export const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ...STATIONS.map(s => [s.key, `go to ${s.title}`] as const),
  ['space', 'run or stop'],
  ['[  ]', 'one step back or forward'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z, Ctrl Y', 'redo'],
  ['f', 'all findings'],
  ['h', 'history of changes'],
  ['+  −  0', 'on the drawing: closer, further, fit'],
  ['arrows', 'on the drawing: move the view; at Train: to the next wheel or arbor'],
  ['digits, Enter', 'at Train, on a wheel: type its count, or a range such as 12-90'],
  ['n  i  m  j', 'at Train: drive a new arbor, insert an idler, mesh with, join'],
  ['o  k  g  s', 'at Train: put on an axis, key together, hang on an arm, hold still'],
  ['Shift ↑ ↓', 'at Train: to the next layer'],
  ['r  x', 'at Train: its mesh, to replace the stage; delete with what depends on it'],
  ['?', 'this list'],
];

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    (['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) && !isSwitch(target)) ||
    target.getAttribute('role') === 'combobox');
const presses = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (['BUTTON', 'A', 'SUMMARY'].includes(target.tagName) || isSwitch(target));

/** Listens for the keys of the frame; what is typed into a field stays there. */
export function useKeys(open: { help: () => void; findings: () => void; history: () => void }): void {
  const router = useRouter();
  const clock = useClock();
  const store = useMachine();

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (document.querySelector('.v-overlay--active.v-dialog')) return;
    const command = event.ctrlKey || event.metaKey;
    if (command && !isTyping(event.target)) {
      const key = event.key.toLowerCase();
      const act =
        key === 'y' || (key === 'z' && event.shiftKey) ? store.redo : key === 'z' ? store.undo : undefined;
      if (act) event.preventDefault();
      act?.();
      return;
    }
    if (command || event.altKey || isTyping(event.target)) return;
    const station = STATIONS.find(s => s.key === event.key);
    if (station) void router.push({ name: station.name });
    else if (event.key === ' ' && !presses(event.target)) clock.toggle();
    else if (event.key === '[') clock.step(-1);
    else if (event.key === ']') clock.step(1);
    else if (event.key === '?') open.help();
    else if (event.key === 'f') open.findings();
    else if (event.key === 'h') open.history();
    else return;
    event.preventDefault();
  });
}

/**
 * Ticks and sliders take no text, so that keys there go on to the application; those they use themselves it leaves
 * alone.
 */
function isSwitch(target: HTMLElement): boolean {
  return target instanceof HTMLInputElement && ['checkbox', 'radio'].includes(target.type);
}
