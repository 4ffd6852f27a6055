/** Whether the process responds, without a query to the store. For whatever starts and stops servers. */
export function GET(): Response {
  return Response.json({ ok: true });
}

export const dynamic = 'force-dynamic';
