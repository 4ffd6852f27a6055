/** Whether the process answers at all; it asks the store nothing. For whoever starts and stops servers. */
export function GET(): Response {
  return Response.json({ ok: true });
}

export const dynamic = 'force-dynamic';
