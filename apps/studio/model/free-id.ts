/** The wanted id, or the first of `id-2`, `id-3` … that is not taken. */
export function freeId(wanted: string, taken: readonly string[]): string {
  let id = wanted;
  for (let n = 2; taken.includes(id); n++) id = `${wanted}-${n}`;
  return id;
}
