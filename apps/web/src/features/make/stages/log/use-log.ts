import { MakeLogDto, sumOfMinutes, type MakeView, type WearerView } from '@coiled-strand/contract';
import type { Plan } from '@coiled-strand/core';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useEffect } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { ApiError, isPassing } from '../../../../data/api/client';
import { useLogMake, useWearers } from '../../../../data/api/queries';
import { dropLog, keepLog, useWaitingLog } from '../../make/log-outbox';
import { flush } from '../../make/progress-sender';
import { betweenOf } from '../../make/half-way';
import { localOf, reportsOf, useProgress } from '../../make/progress-store';
import { measuredOf } from '../../make/use-make';
import { dotted } from '../../../piece/piece/put-at';
import { dropLogForm, keepLogForm, logFormOf } from './log-drafts';
import { minutesOf } from './minutes';

/** What a new log begins with: cut as planned, time as it was counted, the rest to be measured. */
function startOf({ record, seconds, piece }: MakeView, plan: Plan): MakeLogDto {
  if (record) {
    return {
      cords: record.cords.map((cord) => ({ ...cord })),
      length: record.length,
      minutes: record.minutes,
      stages: record.stages ?? { prepare: 0, tie: record.minutes, finish: 0 },
      ...(record.tied === undefined ? {} : { tied: record.tied }),
      ...(record.worn === undefined ? {} : { worn: record.worn }),
      ...(record.between ? { between: record.between } : {}),
      ...(record.ends ? { ends: { ...record.ends } } : {}),
      owner: record.owner ?? '',
      note: record.note ?? '',
    };
  }
  return {
    cords: plan.strands.map((s) => ({ cut: s.cut, leftover: null as unknown as number })),
    length: null as unknown as number,
    minutes: 0,
    stages: minutesOf(seconds),
    owner: piece.wearer.name,
    note: '',
  };
}

/** Which of the workshop’s wearers has it; of two of one name, the one that it was made for or none. */
function ownerIdOf(
  owner: string | undefined,
  { piece, record }: MakeView,
  wearers: readonly WearerView[],
): string | undefined {
  if (owner === piece.wearer.name) return piece.wearer.origin;
  if (owner === record?.owner) return record?.ownerId;
  const named = wearers.filter(({ value }) => value.name === owner);
  return named.length === 1 ? named[0]!.id : undefined;
}

/** The form of a log, checked as the server checks it. */
export interface LogOfMake {
  readonly form: UseFormReturn<MakeLogDto>;
  readonly submit: () => Promise<void>;
  /** Forgets what was filled in. */
  readonly discard: () => Promise<void>;
  readonly saving: boolean;
  /** Whether it is kept on this device until the server is back. */
  readonly waiting: boolean;
  /** Why it was not saved; null when nothing went wrong. */
  readonly fault: string | null;
}

/** @param onDone once the server has it */
export function useLog(make: MakeView, plan: Plan, onDone?: () => void): LogOfMake {
  const save = useLogMake(make.pieceId);
  const { data: wearers = [] } = useWearers();
  const forget = useProgress((state) => state.forget);
  const form = useForm<MakeLogDto>({
    resolver: classValidatorResolver(MakeLogDto),
    // What was filled in before a reload stands there again.
    defaultValues: logFormOf(make.id) ?? startOf(make, plan),
  });
  const { subscribe } = form;
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values }) => void keepLogForm(make.id, values),
      }),
    [subscribe, make.id],
  );
  const toSend = useWaitingLog(make.id);
  const discard = async (): Promise<void> => {
    await Promise.all([dropLogForm(make.id), dropLog(make.id)]);
  };
  const submit = form.handleSubmit(async (filled) => {
    const record: MakeLogDto = {
      ...betweenOf(measuredOf(make, plan, localOf(reportsOf(make.id)))),
      ...filled,
      minutes: filled.stages ? sumOfMinutes(filled.stages) : filled.minutes,
      note: filled.note || undefined,
      owner: filled.owner || undefined,
      ownerId: ownerIdOf(filled.owner, make, wearers),
    };
    try {
      // A log closes its make: what was counted goes out before it.
      await flush();
      await save.mutateAsync({ id: make.id, record });
      forget(make.id);
      await discard();
      onDone?.();
    } catch (error) {
      if (isPassing(error)) {
        await keepLog(make.id, { record, refused: null });
        save.reset();
        return;
      }
      if (!(error instanceof ApiError)) return;
      for (const { path, message } of error.body.faults ?? []) {
        form.setError(dotted(path) as 'length', { message });
      }
    }
  });
  return {
    form,
    submit,
    discard,
    saving: save.isPending,
    waiting: toSend?.refused === null,
    fault: save.error?.message ?? toSend?.refused ?? null,
  };
}
