export {
  type Limit,
  type Offer,
  type Option,
  type Options,
  pickForm,
  type Text,
} from './option.ts';
export { readOptions } from './read.ts';
export { tableOf } from './reference.ts';
