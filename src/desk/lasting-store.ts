/** Whether the browser keeps what is stored here also when it runs short of room, and how much that is. */

export interface Lasting {
  /** Null where the browser does not say. */
  readonly kept: boolean | null;
  readonly usedMb: number | null;
}

/** Asks the browser to keep it; some ask the maker, others decide by themselves. */
export async function askToKeep(): Promise<Lasting> {
  // A page that did not come over a safe line has no such manager.
  const manager = navigator.storage as StorageManager | undefined;
  if (!manager) return { kept: null, usedMb: null };
  const kept = (await manager.persisted?.()) || (await manager.persist?.());
  const { usage } = (await manager.estimate?.()) ?? {};
  return { kept: kept ?? null, usedMb: usage === undefined ? null : usage / 1e6 };
}
