import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { partKind, planCost, type Piece, type PlanResult, type Side } from '@coiled-strand/core';
import { HttpStatus, Injectable, type OnModuleDestroy } from '@nestjs/common';
import { Piscina } from 'piscina';
import { AppError } from '../errors/app-error.js';
import { identityNow } from '../identity/identity.js';
import { FairTurn } from './fair-turn.js';
import type { make, Planning } from './planning-worker.js';

/** Built beside the rest, wherever this file is run from: a thread loads no TypeScript. */
const WORKER = fileURLToPath(new URL('../../dist/planner/planning-worker.js', import.meta.url));

/** What a piece may cost to plan: some hundred times the largest that anybody wears. See `planCost`. */
export const MAX_COST = 2_000_000;
/**
 * A plan takes milliseconds, and MAX_COST keeps it to a few seconds: this only ends what hangs, in ms once it is begun.
 * Long enough for a machine that is busy with something else, where a shorter one would refuse a piece that is fine.
 */
const TIMEOUT_MS = 120_000;
const THREADS = Math.max(1, availableParallelism() - 1);
/** In MB, of one thread. */
const MEMORY = 512;
const WAITING = 500;
/** Of one person. */
const OF_ONE = 150;

/**
 * A thread loads its modules by import alone: one that is ended in the middle of a `require` of a module takes the
 * whole program with it (Node.js 20 aborts). Versions that cannot do that do not know the flag.
 */
const LOADS = process.allowedNodeEnvironmentFlags.has('--experimental-require-module')
  ? ['--no-experimental-require-module']
  : [];

/** Plans in threads of their own: whatever a piece asks for, other requests go on being answered. */
@Injectable()
export class Planner implements OnModuleDestroy {
  private readonly pool = new Piscina({
    filename: WORKER,
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: 10 * 60_000,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
    execArgv: LOADS,
  });

  /** What waits does so here, not at the threads: its time begins when a thread takes it. */
  private readonly turn = new FairTurn(THREADS);

  /** When a plan that a thread takes now is given up. */
  protected limit(): AbortSignal {
    return AbortSignal.timeout(TIMEOUT_MS);
  }

  /** @throws AppError 422 for a piece that is too large to be planned, 503 when too many wait */
  plan(planning: Planning): Promise<PlanResult> {
    return this.run('plan', planning);
  }

  /** A plan with its steps, or the plan alone where it cannot be made. */
  make(planning: Planning & { readonly leads: Side }): Promise<ReturnType<typeof make>> {
    return this.run('make', planning);
  }

  private readonly running = new Set<Promise<unknown>>();

  async onModuleDestroy(): Promise<void> {
    // What is being planned is planned to its end.
    await Promise.allSettled(this.running);
    await this.pool.destroy();
  }

  private async run<T>(name: 'plan' | 'make', planning: Planning): Promise<T> {
    const { piece } = planning;
    if (planCost(piece).sum > MAX_COST) throw tooLarge(piece);
    const who = identityNow()?.personId ?? '';
    if (this.turn.pending() >= WAITING || this.turn.pending(who) >= OF_ONE) throw busy();
    try {
      const answer = this.turn.do(
        who,
        () => this.pool.run(planning, { name, signal: this.limit() }) as Promise<T>,
      );
      this.running.add(answer);
      return await answer.finally(() => this.running.delete(answer));
    } catch (error) {
      const { name: what, code } = error as Error & { code?: string };
      if (what === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY') throw tooLarge(piece);
      throw error;
    }
  }
}

function tooLarge(piece: Piece): AppError {
  const { most } = planCost(piece);
  const part = most && piece.parts[most.index];
  const named = part
    ? `; part ${most.index + 1} (${partKind(part.kind).entry.label}) asks for the most`
    : '';
  return new AppError(
    HttpStatus.UNPROCESSABLE_ENTITY,
    'piece.too-large',
    `This piece is too large to be planned: ${piece.parts.length} parts on ${piece.strands.length} strands${named}.`,
    'Make it of fewer parts, strands or repeats, or plan it in several pieces.',
    part ? { faults: [{ path: `parts[${most.index}]`, message: 'asks for too much' }] } : {},
  );
}

const busy = (): AppError =>
  new AppError(
    HttpStatus.SERVICE_UNAVAILABLE,
    'planner.busy',
    'Too many pieces wait to be planned.',
    'Try again in a moment. Nothing was stored.',
    { retryAfter: 5 },
  );
