import { compileField, type SetDocument } from '@arbeit/engine/document';
import type { AdornmentName, ControlName } from '@arbeit/engine/field';
import { type KindTable, kindIn } from '@arbeit/engine/kinds';

/** A part of a hand-off beside the fields themselves. */
export type Use =
  | 'dom'
  | 'element'
  | 'react'
  | 'native'
  | 'vue'
  | 'svelte'
  | 'server'
  | 'html'
  | 'sql'
  | 'trials'
  | 'apps';

/** All uses, in the order they are listed. */
export const uses: readonly Use[] = [
  'element',
  'dom',
  'react',
  'native',
  'vue',
  'svelte',
  'server',
  'html',
  'sql',
  'trials',
  'apps',
];

/** A module that re-exports parts of a package. */
export interface Adapter {
  readonly from: string;
  readonly names: readonly string[];
  readonly types: readonly string[];
  /** Code of its own beside the exports, and what that code imports. */
  readonly more?: {
    readonly imports: readonly string[];
    readonly js: string;
    /** The imports of its types. */
    readonly typeImports: readonly string[];
    readonly dts: string;
  };
  /** Whether it needs a page. A framework that also renders on a server has to know. */
  readonly isClient?: true;
}

/** What must be known of a set so that a hand-off contains only what it needs. */
export interface Needs {
  /** What is drawn beside the controls of its fields. */
  readonly adornments: ReadonlySet<AdornmentName>;
  /** The controls of its fields beside a text input. */
  readonly controls: ReadonlySet<ControlName>;
  readonly hasForms: boolean;
  /** Whether a rule asks a server. */
  readonly isAsking: boolean;
}

export function needsOf(set: SetDocument, kinds: KindTable): Needs {
  const adornments = set.fields.flatMap((field) => {
    const { kind, plan } = compileField(field, set, kinds);
    return kind.adornments?.(plan) ?? [];
  });
  const rules = [...set.fields, ...(set.forms ?? [])].flatMap((one) => one.rules ?? []);
  return {
    adornments: new Set(adornments),
    controls: new Set(set.fields.flatMap(({ kind }) => kindIn(kinds, kind).run.control ?? [])),
    hasForms: (set.forms ?? []).length > 0,
    isAsking: rules.some(({ check }) => check.type === 'remote'),
  };
}

/** Components for React by the control that needs them. */
const ofControls: Readonly<Record<ControlName, readonly string[]>> = {
  boxes: ['Boxes'],
  picks: ['Picks', 'isGroup'],
};

/** Components for React by what is drawn beside a control. */
const ofAdornments: Readonly<Record<AdornmentName, readonly string[]>> = {
  calendar: ['Month'],
  'part-labels': ['PartLabels'],
  'unit-labels': ['PartLabels'],
  'region-list': ['RegionList', 'regionOf', 'chooseRegion'],
  counter: ['Counter'],
};

/** What React Native draws a choice beside a control with. */
const nativeHooks: Readonly<Partial<Record<AdornmentName, string>>> = {
  calendar: 'useCalendar',
  'region-list': 'useRegions',
};

/** What draws a choice beside a control, by what is drawn there. */
const pickers: Readonly<Partial<Record<AdornmentName, string>>> = {
  calendar: 'calendar',
  'region-list': 'regionList',
};

/** The pickers that the fields of a set need: their names, and the table of them in JavaScript. */
export function pickersOf({ adornments }: Pick<Needs, 'adornments'>): {
  readonly names: readonly string[];
  readonly table: string;
} {
  const all = Object.entries(pickers).filter(([name]) => adornments.has(name as AdornmentName));
  const members = all.map(([name, code]) => (name === code ? name : `'${name}': ${code}`));
  return { names: all.map(([, code]) => code), table: `{ ${members.join(', ')} }` };
}

/** `picker` of an adapter, for sets with fields that need one. */
function withPicker(needs: Needs): Pick<Adapter, 'more'> {
  const { names, table } = pickersOf(needs);
  if (names.length === 0) return {};
  const more = {
    typeImports: ['type Picker as PickerOf'],
    imports: ['pickerOf', ...names],
    js: `/** Draws a calendar or a list of regions beside a field that has one. */\nexport const picker = /*#__PURE__*/ pickerOf(${table});\n`,
    dts: '/** Draws a calendar or a list of regions beside a field that has one: `picker(store)(element)` returns a function that removes it. */\nexport declare const picker: PickerOf;\n',
  };
  return { more };
}

/** Whether fields of a kind are picked from options rather than typed into. */
export const isPicked = (kind: string, kinds: KindTable): boolean =>
  kindIn(kinds, kind).run.control === 'picks';

const unique = (all: readonly string[]): readonly string[] => [...new Set(all)].sort();

const controlsOf = ({ controls }: Needs): readonly string[] => unique([...controls]);

/** The renderers that the elements of a set need: their names, and the expressions that make them. */
export function renderersOf(needs: Needs): {
  readonly names: readonly string[];
  readonly made: readonly string[];
} {
  const { names, table } = pickersOf(needs);
  const controls = controlsOf(needs);
  return names.length === 0
    ? { names: controls, made: controls }
    : { names: [...controls, 'pickers', ...names], made: [...controls, `pickers(${table})`] };
}

/** What asks the questions of fields, and of forms. */
const askers = ({ isAsking, hasForms }: Needs): readonly string[] =>
  isAsking ? ['askByFetch', 'driveAsks', ...(hasForms ? ['driveFormAsks'] : [])] : [];

/** The types that every adapter of a framework has. */
const frameworkTypes = ({ hasForms }: Needs): readonly string[] => [
  'Field',
  'FieldStore',
  'Recording',
  ...(hasForms ? ['Form', 'FormStore', 'SendRecord'] : []),
];

/** The adapter that binds a set's fields to a page without a framework. */
function domFace(needs: Needs): Adapter {
  const { controls, hasForms } = needs;
  const hasPicks = controls.has('picks');
  return {
    from: '@arbeit/dom',
    names: unique([
      'attributesOf', 'bind', 'createStore', 'appearanceOf', 'onCompletion', 'evaluateOn', 'record', 'share', 'statesOf',
      ...(hasPicks ? ['bindPicks'] : []),
      ...(hasForms ? ['bindForm', 'createFormStore'] : []),
      ...askers(needs),
    ]), // biome-ignore format: a list
    types: ['FieldStore', 'Recording', 'States', ...(hasForms ? ['FormStore', 'SendRecord'] : [])],
    ...withPicker(needs),
    isClient: true,
  };
}

/** A component that draws any field of the set, with only the renderers that its kinds need. */
function reactControl(needs: Needs): NonNullable<Adapter['more']> {
  const drawn = controlsOf(needs).map((name) => (name === 'boxes' ? 'boxes: Boxes' : 'picks: Picks'));
  const { names, table } = pickersOf(needs);
  const hasPicker = names.length > 0;
  return {
    typeImports: ['type controlOf', ...(hasPicker ? ['type pickerWith'] : [])],
    imports: [
      'controlOf',
      ...drawn.map((one) => one.split(' ')[1] ?? ''),
      ...(hasPicker ? ['pickerWith', ...names] : []),
    ],
    js: `/** Draws a field with what its kind is drawn with. */\nexport const Control = /*#__PURE__*/ controlOf({ ${drawn.join(', ')} });\n${hasPicker ? `/** Draws a calendar or a list of regions beside a field that has one. */\nexport const Picker = /*#__PURE__*/ pickerWith(${table});\n` : ''}`,
    dts: `/** Draws a field with what its kind is drawn with: a line to type into, boxes, or what is picked from. */\nexport declare const Control: ReturnType<typeof controlOf>;\n${hasPicker ? '/** Draws a calendar or a list of regions beside a field that has one. */\nexport declare const Picker: ReturnType<typeof pickerWith>;\n' : ''}`,
  };
}

/** The adapter for React. */
function reactFace(needs: Needs): Adapter {
  const { hasForms } = needs;
  return {
    from: '@arbeit/react',
    names: unique([
      'useField', 'Frame', 'Hint', 'Label', 'Line', 'Message', 'Resting', 'record',
      ...(hasForms ? ['carryOver', 'useForm'] : []),
      ...askers(needs),
      ...[...needs.controls].flatMap((name) => ofControls[name]),
      ...[...needs.adornments].flatMap((name) => ofAdornments[name]),
    ]), // biome-ignore format: a list
    types: [...frameworkTypes(needs), ...(hasForms ? ['ServerAnswer'] : [])],
    more: reactControl(needs),
    isClient: true,
  };
}

/** What each use re-exports of the packages. The server's part is a module of its own. */
export function adapterOf(use: Use, needs: Needs): Adapter | undefined {
  const { hasForms } = needs;
  switch (use) {
    case 'dom':
      return domFace(needs);
    case 'react':
      return reactFace(needs);
    case 'native':
      return {
        from: '@arbeit/native',
        names: unique([
          'record',
          'useNativeField',
          ...(hasForms ? ['carryOver', 'useNativeForm'] : []),
          ...askers(needs),
          ...[...needs.adornments].flatMap((name) => nativeHooks[name] ?? []),
        ]),
        types: [
          'FieldStore', 'NativeField', 'Recording',
          ...(hasForms ? ['FormStore', 'NativeForm', 'SendRecord', 'ServerAnswer'] : []),
        ], // biome-ignore format: a list
      };
    case 'element':
      return {
        from: '@arbeit/element',
        names: unique([
          'defineFields',
          'record',
          ...(hasForms ? ['defineForms'] : []),
          ...renderersOf(needs).names,
        ]),
        types: ['FieldElement', 'Recording', ...(hasForms ? ['FormElement'] : [])],
        isClient: true,
      };
    case 'vue':
      return {
        from: '@arbeit/vue',
        names: unique([
          'record',
          'useField',
          ...(hasForms ? ['useForm'] : []),
          ...(pickersOf(needs).names.length > 0 ? ['usePicker'] : []),
          ...askers(needs),
        ]),
        types: frameworkTypes(needs),
        ...withPicker(needs),
      };
    case 'svelte':
      return {
        from: '@arbeit/svelte',
        names: unique(['field', ...(hasForms ? ['form'] : []), 'record', ...askers(needs)]),
        types: frameworkTypes(needs),
        ...withPicker(needs),
      };
    case 'server':
    case 'html':
    case 'sql':
    case 'trials':
    case 'apps':
      return undefined;
  }
}
