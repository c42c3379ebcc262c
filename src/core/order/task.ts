/** A step left to do, as sittings and the longest chain see it. Minutes. */
export interface Task {
  readonly id: string;
  readonly minutes: number;
  /** It may be left after every so many minutes (a row); null where it must be done in one go. */
  readonly unitMinutes: number | null;
  /** What comes after it has to wait so long. */
  readonly waitMinutes: number;
  /** Tasks that must be done, and have set, before it. */
  readonly after: readonly string[];
}
