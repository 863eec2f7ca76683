/** An id from a name, with a random tail so that it is nobody else's: `engine-shed-4f9a1c`. */
export function newId(name: string): string {
  const words = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  const tail = Array.from(crypto.getRandomValues(new Uint8Array(3)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('');
  return words ? `${words}-${tail}` : tail;
}
