export * from '../dom/bind.ts';
export { createStore } from '../dom/store.ts';
