import { AsyncLocalStorage } from 'node:async_hooks';
import type { QueryRunner } from 'typeorm';

/** A request that has a name: sent once more, it is answered and not carried out again. */
export interface NamedRequest {
  readonly personId: string;
  /** Where it was asked: with the workshop its answer goes. */
  readonly workshopId: string | null;
  /** Its Idempotency-Key. */
  readonly key: string;
  /** SHA-256 of what it asks for: under one name nothing else may be asked. */
  readonly fingerprint: string;
  /** Whether its first transaction has written the name down. */
  claimed: boolean;
}

const requests = new AsyncLocalStorage<NamedRequest>();

/** Runs something in the name of a request. */
export const inTheNameOf = <T>(request: NamedRequest, run: () => T): T =>
  requests.run(request, run);

/** Another request of this name was first. */
export class CarriedOut extends Error {}

/**
 * Has the first transaction of a request write down its name: what it does and that it was done are stored together,
 * or neither is. One of the same name that comes meanwhile waits here for the end of the first.
 *
 * @throws CarriedOut where that one was carried out; this transaction is rolled back
 */
export function claiming(runner: QueryRunner): QueryRunner {
  const begin = runner.startTransaction.bind(runner);
  const rollback = runner.rollbackTransaction.bind(runner);
  let claimed: NamedRequest | null = null;
  runner.startTransaction = async (level) => {
    const outermost = !runner.isTransactionActive;
    await begin(level);
    const request = requests.getStore();
    if (!outermost || !request || request.claimed) return;
    try {
      await claim(runner, request);
      request.claimed = true;
      claimed = request;
    } catch (error) {
      // Whoever began it may not know that it has begun, and would leave it open.
      await rollback();
      throw error;
    }
  };
  runner.rollbackTransaction = async () => {
    await rollback();
    if (!claimed || runner.isTransactionActive) return;
    claimed.claimed = false;
    claimed = null;
  };
  return runner;
}

async function claim(
  runner: QueryRunner,
  { personId, workshopId, key, fingerprint }: NamedRequest,
): Promise<void> {
  const rows = (await runner.query(
    `insert into request (person_id, workshop_id, key, fingerprint) values ($1, $2, $3, $4)
     on conflict do nothing returning key`,
    [personId, workshopId, key, fingerprint],
  )) as object[];
  if (rows.length === 0) throw new CarriedOut();
}
