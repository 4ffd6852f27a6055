// Locks a folder, prints the result, and holds it until it is killed: node lock.holder.mjs <lock.mjs>
// <folder>
const [, , lock, folder] = process.argv;
const { lockFolder } = await import(lock);
try {
  globalThis.held = await lockFolder(folder, { beat: 100, patience: 4000 });
  process.stdout.write('held');
  setInterval(() => undefined, 1000);
} catch (error) {
  process.stdout.write(error.name);
}
