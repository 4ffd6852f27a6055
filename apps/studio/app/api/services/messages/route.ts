import { messagesOn } from '../../../../services/telephones.ts';

/** The messages on the simulated telephone of `?to=`, the newest first. */
export function GET(request: Request): Response {
  const to = new URL(request.url).searchParams.get('to') ?? '';
  return Response.json({ messages: messagesOn(to) });
}
