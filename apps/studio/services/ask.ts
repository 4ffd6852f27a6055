import type { Answer } from '@arbeit/engine/field';
import type { Database, Store } from '../store/database.ts';
import { lookUp } from './passes.ts';
import { codePath } from './paths.ts';
import { giveCode } from './sender.ts';

/**
 * A request to a stand-in service: the field's raw value, and the typed values of the fields its rule names.
 */
export interface Asked {
  readonly value: string;
  readonly values: Readonly<Record<string, string | null>>;
}

/** The services that rules may ask, by path. */
export const services: Readonly<
  Record<
    string,
    ((asked: Asked, today: string, write: Store['write'], browser: string) => Promise<Answer>) | undefined
  >
> = {
  '/api/services/passes': async ({ value }, today) => lookUp(value, today),
  [codePath]: ({ value, values }, _, write, browser) =>
    write((db) => checkCode(db, addressIn(values), value, browser)),
};

/** The address a code was sent to: the first value that was sent along. */
export const addressIn = (values: Asked['values']): string =>
  Object.values(values).find((value) => value !== null) ?? '';

async function checkCode(db: Database, address: string, code: string, browser: string): Promise<Answer> {
  const given = await giveCode(db, address, code, browser);
  switch (given.is) {
    case 'right':
      return { verdict: 'pass' };
    case 'wrong':
      return { verdict: 'fail', code: 'wrong-code', data: { left: String(given.left) } };
    case 'void':
      return { verdict: 'fail', code: 'void-code', data: {} };
  }
}
