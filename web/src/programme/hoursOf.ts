import { minutes } from '../parts/format';

/** Hours, or minutes where they are few. */
export const hoursOf = (count: number) =>
  count < 0.25 && count > 0
    ? minutes(Math.max(1, Math.round(count * 60)))
    : (Math.round(count * 10) / 10).toLocaleString('en-GB') + ' h';
