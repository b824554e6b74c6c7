import type { ThreadStatus } from '../../checks/threadStatus';
import { THREAD_STATUSES } from '../../checks/threadStatus';

/** In the order from worst to best. */
const WORST_FIRST: readonly ThreadStatus[] = [
  'broken',
  ...THREAD_STATUSES.filter((each) => each !== 'broken'),
];

/** The status of what several lines bring together: that of the one that has come least far. */
export const worstStatus = (statuses: readonly ThreadStatus[]): ThreadStatus | undefined =>
  WORST_FIRST.find((each) => statuses.includes(each));
