import pg from 'pg';
import { channel, type Followers } from './followers.ts';

/** Pauses before each attempt to reconnect, in milliseconds. */
const waits = [200, 1_000, 5_000, 15_000];
/** Interval of a query that shows whether the connection still works, in milliseconds. */
const pulse = 30_000;
const patience = 10_000;

/**
 * The connection on which a server receives changes made by all servers (LISTEN). It opens when the first
 * page follows a set. It reconnects after a failure and then calls `catchUp`, which reads from the tables
 * what was missed.
 */
export class Listening {
  readonly #url: string;
  readonly #followers: Followers;
  readonly #catchUp: () => Promise<void>;
  #client: pg.Client | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #failures = 0;
  #isBegun = false;
  #isEnded = false;

  constructor(url: string, followers: Followers, catchUp: () => Promise<void>) {
    this.#url = url;
    this.#followers = followers;
    this.#catchUp = catchUp;
  }

  begin(): void {
    if (this.#isBegun || this.#isEnded) return;
    this.#isBegun = true;
    void this.#connect();
  }

  async end(): Promise<void> {
    this.#isEnded = true;
    clearTimeout(this.#timer);
    const client = this.#client;
    this.#client = undefined;
    await client?.end().catch(() => undefined);
  }

  async #connect(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.#url,
      connectionTimeoutMillis: patience,
      query_timeout: patience,
      keepAlive: true,
      application_name: 'arbeit listening',
    });
    this.#client = client;
    client.on('notification', ({ payload }) => this.#followers.receive(payload ?? ''));
    client.on('error', () => this.#lost(client));
    client.on('end', () => this.#lost(client));
    try {
      await client.connect();
      await client.query(`listen ${channel}`);
      await this.#catchUp();
      this.#failures = 0;
      this.#beat(client);
    } catch {
      this.#lost(client);
    }
  }

  #beat(client: pg.Client): void {
    if (client !== this.#client) return;
    this.#timer = setTimeout(() => {
      client.query('select 1').then(
        () => this.#beat(client),
        () => this.#lost(client),
      );
    }, pulse);
    this.#timer.unref();
  }

  #lost(client: pg.Client): void {
    if (client !== this.#client || this.#isEnded) return;
    this.#client = undefined;
    clearTimeout(this.#timer);
    client.end().catch(() => undefined);
    this.#timer = setTimeout(() => void this.#connect(), waits[Math.min(this.#failures++, waits.length - 1)]);
    this.#timer.unref();
  }
}
