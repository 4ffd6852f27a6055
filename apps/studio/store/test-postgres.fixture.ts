import { afterAll, beforeAll } from 'vitest';
import { type PostgresServer, startPostgres } from './postgres.fixture.ts';

/** A PostgreSQL server for the tests of a file. */
export function testPostgres(): () => PostgresServer {
  let server: PostgresServer;
  beforeAll(async () => {
    server = await startPostgres();
  });
  afterAll(() => server.stop());
  return () => server;
}
