import { DataSource, type QueryRunner, type ReplicationMode } from 'typeorm';
import { claiming } from '../idempotency/named-request.js';

/** The database as requests use it: their first transaction writes down the name that they have. */
export class RequestDataSource extends DataSource {
  override createQueryRunner(mode?: ReplicationMode): QueryRunner {
    return claiming(super.createQueryRunner(mode));
  }
}
