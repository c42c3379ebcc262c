/** The rooms away from a piece: their addresses and names, for the way between them, for the window's title and for the server's. */
export const ROOMS = [
  { path: '/', name: 'Shelf' },
  { path: '/cupboard', name: 'Cupboard' },
  { path: '/handbook', name: 'Handbook' },
  { path: '/settings', name: 'Settings' },
] as const;

export type RoomPath = (typeof ROOMS)[number]['path'];

/** What stands before the name of the program in the window's title; the shelf is the program itself. */
export const roomTitle = (path: RoomPath): string | null =>
  path === '/' ? null : ROOMS.find((r) => r.path === path)!.name;
