import type { StageMinutesDto, StageSecondsDto } from '@coiled-strand/contract';

/** What was counted while making, in whole minutes; what was touched at all is a minute at least. */
export const minutesOf = ({ prepare, tie, finish }: StageSecondsDto): StageMinutesDto => {
  const round = (seconds: number): number =>
    seconds === 0 ? 0 : Math.max(1, Math.round(seconds / 60));
  return { prepare: round(prepare), tie: round(tie), finish: round(finish) };
};
