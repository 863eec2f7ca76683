import pg from 'pg';
import { workshopAsked } from './which-workshop.ts';

/** Whoever reads and writes rows of workshops: owns no table, so that the row security of every one of them holds for it. */
export const ROWS_ROLE = 'lantern_rows';

/** Receives a connection, as `pg.Pool` hands it to a callback. */
type Take = (
  error: Error | undefined,
  client: pg.PoolClient | undefined,
  release: (broken?: boolean | Error) => void,
) => void;

/**
 * Connections that see the rows of one workshop and no others: of the one that is asked for when a connection is taken. Where none
 * is asked for none is handed out. Which one it is the database itself is told, and keeps to (row security of every table).
 */
export class WorkshopPool extends pg.Pool {
  /** What each connection was told last. */
  readonly #told = new WeakMap<pg.PoolClient, string>();
  readonly #otherwise: string | undefined;

  /** @param otherwise the workshop where nobody has said which */
  constructor(config: pg.PoolConfig, otherwise?: string) {
    super(config);
    this.#otherwise = otherwise;
  }

  override connect(): Promise<pg.PoolClient>;
  override connect(take: Take): void;
  override connect(take?: Take): Promise<pg.PoolClient> | undefined {
    const ready = this.#connectTo(workshopAsked() ?? this.#otherwise);
    if (!take) return ready;
    ready.then(
      (client) => take(undefined, client, client.release),
      (error: Error) => take(error, undefined, () => undefined),
    );
    return undefined;
  }

  async #connectTo(workshop: string | undefined): Promise<pg.PoolClient> {
    if (workshop === undefined) throw new Error('Rows were asked for without saying of which workshop.');
    const client = await super.connect();
    const told = this.#told.get(client);
    if (told === workshop) return client;
    try {
      if (told === undefined) await client.query(`set role ${ROWS_ROLE}`);
      await client.query("select set_config('lantern.workshop', $1, false)", [workshop]);
    } catch (error) {
      client.release(true);
      throw error;
    }
    this.#told.set(client, workshop);
    return client;
  }
}
