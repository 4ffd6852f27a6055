import type { Wording } from '@arbeit/engine/rules';

/** How to fetch the messages of each language beside English. */
export const loaders: Readonly<Record<string, () => Promise<Wording>>> = {
  de: () => import('@arbeit/engine/wording/german').then((own) => own.german),
  fr: () => import('@arbeit/engine/wording/french').then((own) => own.french),
  es: () => import('@arbeit/engine/wording/spanish').then((own) => own.spanish),
  it: () => import('@arbeit/engine/wording/italian').then((own) => own.italian),
  ja: () => import('@arbeit/engine/wording/japanese').then((own) => own.japanese),
  pt: () => import('@arbeit/engine/wording/portuguese').then((own) => own.portuguese),
  nl: () => import('@arbeit/engine/wording/dutch').then((own) => own.dutch),
  pl: () => import('@arbeit/engine/wording/polish').then((own) => own.polish),
  sv: () => import('@arbeit/engine/wording/swedish').then((own) => own.swedish),
  zh: () => import('@arbeit/engine/wording/chinese').then((own) => own.chinese),
  ar: () => import('@arbeit/engine/wording/arabic').then((own) => own.arabic),
};
