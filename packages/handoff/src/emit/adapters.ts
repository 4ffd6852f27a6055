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

/** Whether fields of a kind are picked from options rather than typed into. */
export const isPicked = (kind: string, kinds: KindTable): boolean =>
  kindIn(kinds, kind).run.control === 'picks';

const unique = (all: readonly string[]): readonly string[] => [...new Set(all)].sort();

/** The renderers that the elements of a set need. */
export const renderersOf = ({ controls }: Needs): readonly string[] => unique([...controls]);

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
    isClient: true,
  };
}

/** A component that draws any field of the set, with only the renderers that its kinds need. */
function reactControl(needs: Needs): NonNullable<Adapter['more']> {
  const drawn = renderersOf(needs).map((name) => (name === 'boxes' ? 'boxes: Boxes' : 'picks: Picks'));
  return {
    typeImports: ['type controlOf'],
    imports: ['controlOf', ...drawn.map((one) => one.split(' ')[1] ?? '')],
    js: `/** Draws a field with what its kind is drawn with. */\nexport const Control = /*#__PURE__*/ controlOf({ ${drawn.join(', ')} });\n`,
    dts: '/** Draws a field with what its kind is drawn with: a line to type into, boxes, or what is picked from. */\nexport declare const Control: ReturnType<typeof controlOf>;\n',
  };
}

/** What each use re-exports of the packages. The server's part is a module of its own. */
export function adapterOf(use: Use, needs: Needs): Adapter | undefined {
  const { hasForms } = needs;
  switch (use) {
    case 'dom':
      return domFace(needs);
    case 'react':
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
    case 'native':
      return {
        from: '@arbeit/native',
        names: unique([
          'record',
          'useNativeField',
          ...(hasForms ? ['carryOver', 'useNativeForm'] : []),
          ...askers(needs),
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
          ...renderersOf(needs),
        ]),
        types: ['FieldElement', 'Recording', ...(hasForms ? ['FormElement'] : [])],
        isClient: true,
      };
    case 'vue':
      return {
        from: '@arbeit/vue',
        names: unique(['record', 'useField', ...(hasForms ? ['useForm'] : []), ...askers(needs)]),
        types: frameworkTypes(needs),
      };
    case 'svelte':
      return {
        from: '@arbeit/svelte',
        names: unique(['field', ...(hasForms ? ['form'] : []), 'record', ...askers(needs)]),
        types: frameworkTypes(needs),
      };
    case 'server':
    case 'html':
    case 'sql':
    case 'trials':
    case 'apps':
      return undefined;
  }
}
