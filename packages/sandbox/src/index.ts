export {
  answerTo,
  type Call,
  createRunner,
  type Origin,
  type Reply,
  type Runner,
  type Session,
  type StartThread,
  type Thread,
} from './runner.ts';
export {
  asModule,
  type Called,
  type Caller,
  createCaller,
  createSandbox,
  type Sandbox,
} from './sandbox.ts';
