import { scriptInPage } from '@arbeit/handoff';
import { chosen } from '../../../../../screens/handoff/choice.ts';
import { type LiveUse, livePage, liveUses } from '../../../../../screens/handoff/live.ts';
import { soundSet } from '../../../../../store/documents.ts';
import { store } from '../../../../../store/store.ts';
import * as words from '../../../../../words/app/live-preview.ts';
import { answer, problem, setIdOf } from '../../../../api/request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

/**
 * The live preview of a use, for a frame. It is sandboxed (`proxy.ts`): it has no origin and can neither make
 * requests nor navigate.
 */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer('show a snippet', async () => {
    const { searchParams } = new URL(request.url);
    const use = searchParams.get('use') as LiveUse;
    if (!liveUses.includes(use)) return problem(404, { error: words.noPreview });
    const id = setIdOf((await params).set);
    const found = id && (await (await store()).read((db) => soundSet(db, id)));
    if (!found || found.faults.length > 0) return problem(404, { error: words.notInTheStore });
    const about = { fields: searchParams.getAll('field'), forms: searchParams.getAll('form') };
    const page = await livePage(chosen(found.document, about), use);
    if (!page) return problem(404, { error: words.nothingToShow });
    const nonce = request.headers.get('x-nonce') ?? '';
    const isDark = searchParams.get('sheet') === 'dark';
    return new Response(
      `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Live</title><style nonce="${nonce}">${page.sheet}${sheetOf(isDark)}</style></head><body>${page.markup}<script nonce="${nonce}">${scriptInPage(page.script)}</script></body></html>`,
      { headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' } },
    );
  });
}

/**
 * The background of the page around it and nothing more, so that the preview shows how the handed-off parts
 * look on their own.
 */
const sheetOf = (isDark: boolean): string =>
  `:root{color-scheme:${isDark ? 'dark' : 'light'};font:15px/1.4 "Hanken Grotesk",system-ui,sans-serif;background:${isDark ? '#1b1a17' : '#faf7f0'};color:${isDark ? '#ece6d9' : '#23211c'}}
body{margin:0}input,select,textarea,button{font:inherit}label{display:block}
arbeit-field{display:block;max-inline-size:26rem}
#live form>div,#live>div{margin-block-end:.6rem}[aria-live]{min-block-size:1.5em;color:${isDark ? '#ec8d7e' : '#a63d2f'}}p{margin:0}
output{display:block;margin-block-start:1rem;white-space:pre-wrap;font-family:ui-monospace,monospace;font-size:.875em}`;
