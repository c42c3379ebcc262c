/** Whether the server answers: for whoever runs it. Says nothing of anyone. */
export const dynamic = 'force-dynamic';

export const GET = (): Response => Response.json({ ok: true }, { headers: { 'Cache-Control': 'no-store' } });
