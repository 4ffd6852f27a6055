import '@fontsource/hanken-grotesk/400.css';
import '@fontsource/hanken-grotesk/600.css';
import './fonts.css';
import './globals.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import * as words from '../words/app/layout.ts';

export const metadata: Metadata = {
  title: { default: 'Arbeit', template: '%s · Arbeit' },
  description: words.aWorkbenchForInputFields,
};

/**
 * Sets the chosen theme before the first paint, so that a dark page does not flash light, and passes the
 * nonce to code that adds style elements (the scroll lock of dialogs). Only this script sets the attribute:
 * React would reset it.
 */
const sheetScript = `window.__webpack_nonce__=document.currentScript.nonce;try{var s=localStorage.getItem('arbeit.sheet')||(matchMedia('(prefers-color-scheme: dark)').matches?'dark':'light');document.documentElement.dataset.sheet=s}catch(e){}`;

export default async function Layout({ children }: { readonly children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en-GB" suppressHydrationWarning>
      <head>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a constant of this file */}
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: sheetScript }} />
      </head>
      <body>{children}</body>
    </html>
  );
}
