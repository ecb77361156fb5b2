/** Words that are not read as wood; its message goes to who wrote them. */
export class Unread extends Error {
  readonly code = 'unread';
}

export function unread(message: string): never {
  throw new Unread(message);
}
