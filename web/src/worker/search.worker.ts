import { searchJob } from '@tesseron/core/job';
import { mailbox } from './mailbox';
import type { SearchAsk } from './use-search';

mailbox<SearchAsk>(searchJob);
