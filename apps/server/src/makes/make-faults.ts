import type { HalfWayDto, MakeLogDto, MakePlanView, MakeView } from '@coiled-strand/contract';
import {
  cordLength,
  doneByPart,
  say,
  speak,
  type FileFault,
  type Plan,
  type SpokenUnits,
  type Step,
  type StepPlace,
} from '@coiled-strand/core';
import { HttpStatus } from '@nestjs/common';
import { AppError, invalid } from '../errors/app-error.js';

/** What does not fit together in a log, or with the plan it is of. */
export function faultsOfLog(record: MakeLogDto, plan: Plan, units: SpokenUnits): FileFault[] {
  const faults: FileFault[] = record.cords.flatMap((cord, i) =>
    cord.leftover > cord.cut
      ? [
          {
            path: `cords[${i}].leftover`,
            message: speak(
              say`more is left over (${cordLength(cord.leftover)}) than was cut (${cordLength(cord.cut)})`,
              units,
            ),
          },
        ]
      : [],
  );
  if (record.cords.length !== plan.strands.length) {
    faults.push({
      path: 'cords',
      message: `this make has ${plan.strands.length} cords, not ${record.cords.length}`,
    });
  }
  return faults;
}

/** What does not go with the plan in what was measured half way. */
export function faultsOfHalfWay(
  { done, left }: HalfWayDto,
  { plan, steps }: Pick<MakePlanView, 'plan' | 'steps'>,
): FileFault[] {
  // The closure is counted with the parts.
  const known = doneByPart(steps, 0);
  return [
    ...done.flatMap(({ part }, i) =>
      Object.hasOwn(known, part)
        ? []
        : [{ path: `measured.done[${i}].part`, message: `this make has no part “${part}”` }],
    ),
    ...left.flatMap(({ strand }, i) =>
      strand <= plan.strands.length
        ? []
        : [
            {
              path: `measured.left[${i}].strand`,
              message: `this make has ${plan.strands.length} cords, and no cord ${strand}`,
            },
          ],
    ),
  ];
}

export function noSuchPlace(
  steps: readonly Step[],
  { step, unit }: StepPlace,
  where: 'at' | 'from',
): AppError {
  const found = steps.find(({ id }) => id === step);
  const fault: FileFault = found
    ? { path: `${where}.unit`, message: `this step has ${found.units} units, not ${unit}` }
    : { path: `${where}.step`, message: `this make has no step “${step}”` };
  return invalid([fault], 'The progress');
}

export const alreadyLogged = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'make.logged',
    'This make is finished and logged.',
    'Begin a new make of the piece.',
  );

export const givenUp = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'make.given-up',
    'This make was set aside in another window or on another device.',
    'Take it up again to go on with it. What was done meanwhile is kept.',
  );

export const wentOnElsewhere = (make: MakeView): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'make.elsewhere',
    'This make went on in another window or on another device.',
    'Choose whether to go on from there or from here.',
    { make },
  );
