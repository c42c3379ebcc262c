/** The time of day, as the maker's country writes it, in twenty-four hours. */
export const clockTime = (at: string): string =>
  new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false });
