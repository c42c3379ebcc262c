import { describe, expect, it } from 'vitest';
import { newerFor, OfflineCopy, type Edition } from './offline-copy';

/** Caches as a browser has them (Service Workers, W3C, "Cache"), as far as they are used here. */
class Shelves {
  readonly all = new Map<string, Map<string, Response>>();
  async open(name: string) {
    const shelf = this.all.get(name) ?? new Map<string, Response>();
    this.all.set(name, shelf);
    return {
      put: async (path: string, answer: Response) => void shelf.set(path, answer.clone()),
    };
  }
  match = async (path: string, { cacheName }: { cacheName: string }) => this.all.get(cacheName)?.get(path)?.clone();
  keys = async () => [...this.all.keys()];
  delete = async (name: string) => this.all.delete(name);
}

/** A server with one edition at a time. */
class Served {
  edition: Edition = { build: 'one', files: ['/_next/static/chunks/a.js', '/icon.svg'] };
  /** Paths that are not there. */
  missing = new Set<string>();
  shell = () => `<html data-build="${this.edition.build}">`;
  readonly asked: string[] = [];
  gone = false;
  get = async (path: string): Promise<Response> => {
    if (this.gone) throw new TypeError('Failed to fetch');
    this.asked.push(path);
    if (this.missing.has(path)) return new Response('', { status: 404 });
    if (path === '/api/offline') return Response.json(this.edition);
    return new Response(path === '/' ? this.shell() : `${path} of ${this.edition.build}`);
  };
}

function begin() {
  const shelves = new Shelves();
  const server = new Served();
  return { shelves, server, copy: new OfflineCopy(shelves as unknown as CacheStorage, server.get) };
}
const text = async (r: Promise<Response | undefined>) => (await r)?.text();

describe('a window', () => {
  it.each([
    ['of the edition that is served, with none newer', 'one', 'one', 'one', null],
    ['of the edition that is served, with a newer one beside it', 'one', 'one', 'two', 'ready'],
    ['of the one before, after another window took the newer', 'one', 'two', 'two', 'taken'],
    ['of the one before, with yet a newer one beside', 'one', 'two', 'three', 'taken'],
    ['loaded past the copy with the newest', 'two', 'one', 'two', null],
    ['in which no edition is whole yet', 'one', null, null, null],
  ] as const)('%s', (_, mine, serves, newest, newer) => {
    expect(newerFor(mine, { serves, newest, before: null })).toBe(newer);
  });
});

describe('the copy of the program', () => {
  it('is served whole once every file is here, and with the server gone', async () => {
    const { server, copy } = begin();
    expect(await copy.page()).toBeUndefined();
    expect(await copy.look()).toEqual({ serves: 'one', newest: 'one', before: null });
    server.gone = true;
    expect(await text(copy.page())).toBe('<html data-build="one">');
    expect(await text(copy.file('/icon.svg'))).toBe('/icon.svg of one');
    expect(await copy.file('/other.png')).toBeUndefined();
  });

  it('leaves nothing half done: one missing file and nothing of it is kept', async () => {
    const { server, shelves, copy } = begin();
    server.missing.add('/icon.svg');
    await expect(copy.look()).rejects.toThrow('/icon.svg could not be had: 404');
    expect(await copy.stand()).toEqual({ serves: null, newest: null, before: null });
    expect([...shelves.all.keys()].filter((n) => n.includes('one'))).toEqual([]);
    server.missing.clear();
    expect((await copy.look()).serves).toBe('one');
  });

  it('keeps serving what is served until the newer edition is taken, then for windows that still run it', async () => {
    const { server, copy } = begin();
    await copy.look();
    server.edition = { build: 'two', files: ['/_next/static/chunks/b.js', '/icon.svg'] };
    expect(await copy.look()).toEqual({ serves: 'one', newest: 'two', before: null });
    expect(await text(copy.page())).toBe('<html data-build="one">');
    expect(await text(copy.file('/icon.svg'))).toBe('/icon.svg of one');
    expect(await copy.take()).toEqual({ serves: 'two', newest: 'two', before: 'one' });
    expect(await text(copy.page())).toBe('<html data-build="two">');
    expect(await text(copy.file('/_next/static/chunks/a.js'))).toBe('/_next/static/chunks/a.js of one');
  });

  it('keeps no more than three editions however often it is renewed', async () => {
    const { server, shelves, copy } = begin();
    for (const build of ['one', 'two', 'three', 'four', 'five']) {
      server.edition = { ...server.edition, build };
      await copy.look();
      if (build !== 'five') await copy.take();
    }
    expect([...shelves.all.keys()].sort()).toEqual([
      'fond-badger',
      ...['five', 'four', 'three'].map((b) => `fond-badger ${b}`),
    ]);
  });

  it('does not lay down a page whose files are of another build', async () => {
    const { server, copy } = begin();
    await copy.look();
    server.edition = { ...server.edition, build: 'two' };
    // The server was begun anew between the list and the page.
    server.shell = () => '<html data-build="three">';
    await expect(copy.look()).rejects.toThrow('another build');
    expect(await copy.stand()).toEqual({ serves: 'one', newest: 'one', before: null });
  });

  it('asks only for what it does not have: a name of a chunk says its content, that of an icon does not', async () => {
    const { server, copy } = begin();
    await copy.look();
    server.edition = { build: 'two', files: ['/_next/static/chunks/a.js', '/_next/static/chunks/b.js', '/icon.svg'] };
    server.asked.length = 0;
    await copy.look();
    expect([...server.asked].sort()).toEqual(['/', '/_next/static/chunks/b.js', '/api/offline', '/icon.svg']);
    await copy.take();
    expect(await text(copy.file('/_next/static/chunks/a.js'))).toBe('/_next/static/chunks/a.js of one');
    server.asked.length = 0;
    await copy.look();
    expect(server.asked).toEqual(['/api/offline']);
  });

  it('goes back to an older edition when the server does', async () => {
    const { server, copy } = begin();
    await copy.look();
    server.edition = { ...server.edition, build: 'two' };
    await copy.look();
    server.edition = { ...server.edition, build: 'one' };
    expect(await copy.look()).toEqual({ serves: 'one', newest: 'one', before: null });
  });

  it('lays an edition down anew whose files the browser let go', async () => {
    const { shelves, copy } = begin();
    await copy.look();
    shelves.all.delete('fond-badger one');
    expect(await copy.page()).toBeUndefined();
    await copy.look();
    expect(await text(copy.page())).toBe('<html data-build="one">');
  });

  it('hands a file out without the address it was laid down by, so that a worker keeps what follows the #', async () => {
    const { copy } = begin();
    await copy.look();
    expect((await copy.file('/icon.svg'))!.url).toBe('');
  });
});
