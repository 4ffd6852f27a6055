/**
 * Ordinary words for what the studio can do, by a word of its label. The palette finds a command by them too.
 * The first word of each line is matched against labels, from the beginning of a word and ignoring case.
 */
const table = `
import: load upload open file paste add csv tsv html json schema bring
download: save export file backup json csv zip disk
hand-off: export code generate build download publish deploy ship react vue svelte angular element javascript typescript bundle output release snippet
copy: clipboard share
duplicate: copy clone
delete: remove erase trash discard
remove: delete erase
change id: rename name key
change kind: type convert turn
kind: type
title: name rename heading
label: name caption title text
placeholder: example sample
hint: help description explanation
initial: default value start
locale: language region country format international i18n l10n
translations: language languages translate text texts i18n localization locale messages
language: translate translation locale
theme: dark light color colour contrast appearance mode night settings preferences
appearance: style styling look design prefix suffix icon size width layout css
html attributes: keyboard autofill autocomplete inputmode autocapitalize spellcheck mobile
pattern: mask format template notation
specimen: preview mask format pattern
rule: validation validate constraint check condition required minimum maximum regex message error
cross-field: compare validation rule
trials: test tests testing regression spec run results
trial: test testing spec
tape: record recording keystrokes history log replay steps
mutation: test quality coverage
law: test fuzz random audit guarantee property
coverage: report
formatter: function javascript own compare
revisions: history versions version changes log restore revert backup earlier compare diff previous
compare: diff difference
restore: revert undelete recover rollback
conflicting: conflict refused collision merge
shelf: home start overview dashboard sets projects back
new set: create add project start
new field: create add input
new form: create add
new trial: create add test write
form: page submit checkout
submit: send post
submission: submit send button
condition: show hide visible logic when depend
add field: layout arrange sections order move insert
services: server simulate mock delay failure network api
fill: sample samples autofill demo
undo: back revert
save: keep store
redo: again repeat
find: search filter look
commands: palette actions menu
keyboard: shortcuts keys hotkeys
glossary: help words terms definitions documentation docs manual about
documentation: help manual guide docs reference
character classes: regex alphabet characters
own page: preview alone isolated full screen
preview: view demo live try
move up: reorder order sort
move down: reorder order sort
go to: jump focus
next: forward
previous: back
phone: telephone mobile number tel
telephone: phone mobile number tel
currency: money amount price
date: calendar day birthday
pin: password secret code
one-time: otp code sms
choice: select dropdown radio options
choices: checkbox multiple options
yes: checkbox boolean toggle switch
duration: time hours minutes
number: numeric integer decimal percent
text: string email name
custom: javascript code function
`;

const synonyms: readonly (readonly [about: RegExp, words: string])[] = table
  .trim()
  .split('\n')
  .map((line) => {
    const [about = '', words = ''] = line.split(': ');
    return [new RegExp(`(?:^|[^\\p{L}])${about}`, 'iu'), words];
  });

/** The synonyms of a label, separated by spaces; empty for a label without any. */
export const synonymsOf = (label: string): string =>
  synonyms.flatMap(([about, words]) => (about.test(label) ? [words] : [])).join(' ');
