/** What a browser has to keep so that everything works with the server gone: the build and every file of it. */
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { BUILD_HOME, buildId } from '@/app/build-id';
import { demoLikeness, demoPieces } from '@/desk/demo';
import type { Edition } from '@/worker/offline-copy';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

/** Icons, and what a browser installs the program by. */
const BESIDE = [
  '/licences.txt',
  '/icon.svg',
  '/manifest.webmanifest',
  '/icons/192.png',
  '/icons/512.png',
  '/icons/512-whole.png',
  // Photographs of the demo that is half done.
  ...[1, 2, 3].map((n) => `/demo/pine-marten-${n}.jpg`),
  // What the demos look like on the shelf.
  ...demoPieces.map(demoLikeness),
];

export async function GET(): Promise<Response> {
  const build = await buildId();
  // While the sources are being written there is nothing to keep.
  if (build === null) return new Response(null, { status: 404 });
  const found = await readdir(join(BUILD_HOME, 'static'), { recursive: true, withFileTypes: true });
  const files = found
    .filter((f) => f.isFile())
    .map((f) => `/_next${join(f.parentPath, f.name).slice(BUILD_HOME.length)}`)
    // What keeps the copy is not in it.
    .filter((f) => !f.startsWith('/_next/static/service-worker/'))
    .sort();
  const edition: Edition = { build, files: [...files, ...BESIDE] };
  return Response.json(edition, { headers: { 'Cache-Control': 'no-store' } });
}
