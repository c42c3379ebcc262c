/** The licences of all that ships with the program. */
import { licencesText } from '../licences';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

let text: string | null = null;

export const GET = (): Response =>
  new Response((text ??= licencesText()), { headers: { 'Content-Type': 'text/plain; charset=utf-8' } });
