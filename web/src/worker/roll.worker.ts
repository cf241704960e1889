import { rollJob } from '@tesseron/core/job';
import { mailbox } from './mailbox';
import type { RollAsk } from './use-rolling';

mailbox<RollAsk>(rollJob);
