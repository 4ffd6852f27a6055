import type { AppFacts } from './application.ts';
import { imported, type Lines, lines } from './shared.ts';

/** The parts of `src/Field.tsx` that draw what is picked. */
const picks = `
/** The options of a field whose value is picked. */
function Options({ field, colors }: { field: NativeField; colors: Colors }) {
  return (
    <View {...field.groupProps} style={styles.options}>
      {field.shape.options.map(({ value, label }) => {
        const isPicked = field.isPicked(value);
        return (
          <Pressable key={value} {...field.pickProps(value)} aria-label={label} style={styles.option}>
            <View
              style={[
                styles.mark,
                field.shape.control === 'checkbox' ? styles.square : styles.round,
                { borderColor: colors.text, backgroundColor: isPicked ? colors.text : colors.page },
              ]}
            />
            <Text style={[styles.text, { color: colors.text }]}>{label}</Text>
          </Pressable>
        );
      })}
    </View>
  );
}
`.split('\n');

/** The parts of `src/Field.tsx` that draw a code. */
const boxes = `
/** The boxes of a code. Its input lies under them, so that keyboards and autofill meet it. */
function Boxes({ field, colors, isConcealed }: { field: NativeField; colors: Colors; isConcealed: boolean }) {
  let at = 0;
  return (
    <View style={styles.groups}>
      <TextInput {...field.inputProps} secureTextEntry={isConcealed} caretHidden style={styles.under} />
      {field.boxes(isConcealed).map((group, i) => (
        <View key={i} aria-hidden style={styles.group}>
          {group.map(({ text, isActive, isSelected }) => {
            const index = at++;
            return (
              <Pressable
                key={index}
                tabIndex={-1}
                onPress={() => field.pressBox(index)}
                style={[
                  styles.box,
                  { borderColor: field.states.wrong ? colors.wrong : colors.text },
                  { backgroundColor: isSelected ? colors.selected : colors.page },
                  isActive && styles.active,
                ]}
              >
                <Text style={[styles.text, { color: colors.text }]}>{text}</Text>
              </Pressable>
            );
          })}
        </View>
      ))}
    </View>
  );
}
`.split('\n');

/** The parts of `src/Field.tsx` that draw a calendar. */
const calendar = `
/** The days of a month, opened by a button. */
function Calendar({ field, colors }: { field: NativeField; colors: Colors }) {
  const { text, openerProps, month } = useCalendar(field);
  const color = { color: colors.text };
  const turns = month && [
    ['«', month.turns.yearBefore],
    ['‹', month.turns.monthBefore],
    ['›', month.turns.monthAfter],
    ['»', month.turns.yearAfter],
  ] as const;
  return (
    <View>
      <Pressable {...openerProps} style={styles.opener}>
        <Text style={[styles.action, color]}>{text}</Text>
      </Pressable>
      {month && turns && (
        <View style={styles.panel}>
          <Text aria-live="polite" style={[styles.text, color]}>{month.title}</Text>
          <View style={styles.week}>
            {turns.map(([sign, pressProps]) => (
              <Pressable key={sign} {...pressProps} style={styles.day}>
                <Text style={[styles.text, color]}>{sign}</Text>
              </Pressable>
            ))}
          </View>
          <View aria-hidden style={styles.week}>
            {month.weekdays.map((name) => (
              <View key={name} style={styles.day}>
                <Text style={{ color: colors.quiet }}>{name}</Text>
              </View>
            ))}
          </View>
          <View role="radiogroup" aria-label={month.title}>
            {month.weeks.map((days) => (
              <View key={days[0]!.date} style={styles.week}>
                {days.map(({ date, text, isOutside, isPicked, isToday, problem, pressProps }) => (
                  <Pressable
                    key={date}
                    {...pressProps}
                    style={[
                      styles.day,
                      isToday && { borderWidth: 1, borderColor: colors.text },
                      isPicked && { backgroundColor: colors.selected },
                    ]}
                  >
                    <Text
                      style={[
                        styles.text,
                        { color: problem || isOutside ? colors.quiet : colors.text },
                        problem !== '' && styles.refused,
                      ]}
                    >
                      {text}
                    </Text>
                  </Pressable>
                ))}
              </View>
            ))}
          </View>
          <Text aria-live="polite" style={{ color: colors.wrong }}>{month.problem}</Text>
        </View>
      )}
    </View>
  );
}
`.split('\n');

/** The parts of `src/Field.tsx` that draw a list of regions. */
const regions = `
/** The regions of a telephone number, opened by a button. */
function Regions({ field, colors }: { field: NativeField; colors: Colors }) {
  const { text, openerProps, list } = useRegions(field);
  const color = { color: colors.text };
  return (
    <View>
      <Pressable {...openerProps} style={styles.opener}>
        <Text style={[styles.action, color]}>{text}</Text>
      </Pressable>
      {list && (
        <View style={styles.panel}>
          <TextInput
            {...list.searchProps}
            placeholderTextColor={colors.quiet}
            style={[styles.text, styles.input, styles.search, color, { borderColor: colors.text }]}
          />
          <ScrollView nestedScrollEnabled keyboardShouldPersistTaps="handled" style={styles.list}>
            <View role="radiogroup" aria-label={list.name}>
              {list.regions.map(({ region, name, code, pressProps }) => (
                <Pressable key={region} {...pressProps} style={styles.region}>
                  <Text style={[styles.text, color]}>{name}</Text>
                  <Text style={{ color: colors.quiet }}>+{code}</Text>
                </Pressable>
              ))}
            </View>
          </ScrollView>
          <Text aria-live="polite" style={{ color: colors.quiet }}>
            {list.regions.length === 0 ? list.none : ''}
          </Text>
        </View>
      )}
    </View>
  );
}
`.split('\n');

/** The line of a field that is typed into, with its guide text and signs. */
const line = (secret: string): readonly string[] =>
  `
/** A line or several lines of text. */
function Line({ field, colors${secret && ', isConcealed'} }: { field: NativeField; colors: Colors${secret && '; isConcealed: boolean'} }) {
  const { look = {} } = field.store.field;
  const text = [styles.text, { color: colors.text }];
  return (
    <View style={[styles.frame, { borderColor: field.states.wrong ? colors.wrong : colors.text }]}>
      {look.before && <Text aria-hidden style={text}>{look.before}</Text>}
      <View style={styles.line}>
        {field.guideText !== '' && (
          <Text aria-hidden style={[styles.ghost, { color: colors.quiet }]}>
            <Text style={styles.hidden}>{field.evaluation.display}</Text>
            {field.guideText}
          </Text>
        )}
        <TextInput
          {...field.inputProps}${secret && '\n          secureTextEntry={isConcealed}'}
          placeholderTextColor={colors.quiet}
          style={[text, styles.input]}
        />
      </View>
      {look.behind && <Text aria-hidden style={text}>{look.behind}</Text>}
    </View>
  );
}
`.split('\n');

const styleSheet = (facts: AppFacts): readonly string[] => {
  const { needs } = facts;
  return [
    'const styles = StyleSheet.create({',
    '  field: { gap: 4 },',
    "  label: { fontWeight: 'bold' },",
    '  text: { fontSize: 16, lineHeight: 22 },',
    "  frame: { flexDirection: 'row', alignItems: 'center', gap: 8, borderWidth: 1, paddingHorizontal: 10 },",
    '  line: { flexGrow: 1, flexShrink: 1 },',
    '  input: { minHeight: 44, padding: 0, paddingVertical: 10 },',
    "  ghost: { position: 'absolute', start: 0, top: 10, fontSize: 16, lineHeight: 22 },",
    "  hidden: { color: 'transparent' },",
    '  messages: { minHeight: 20 },',
    ...(needs.adornments.has('counter') ? ["  beside: { alignSelf: 'flex-end' },"] : []),
    ...(hasPickers(needs)
      ? [
          "  opener: { alignSelf: 'flex-start', minHeight: 44, justifyContent: 'center' },",
          '  panel: { gap: 4, paddingVertical: 4 },',
        ]
      : []),
    ...(hasPickers(needs) || needs.conceals
      ? ["  action: { fontSize: 16, textDecorationLine: 'underline' },"]
      : []),
    ...(needs.adornments.has('calendar')
      ? [
          "  week: { flexDirection: 'row' },",
          "  day: { width: 44, height: 44, alignItems: 'center', justifyContent: 'center' },",
          "  refused: { textDecorationLine: 'line-through' },",
        ]
      : []),
    ...(needs.adornments.has('region-list')
      ? [
          '  search: { borderWidth: 1, paddingHorizontal: 10 },',
          '  list: { maxHeight: 240 },',
          "  region: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', minHeight: 44, paddingHorizontal: 10 },",
        ]
      : []),
    ...(needs.conceals
      ? ["  reveal: { alignSelf: 'flex-start', minHeight: 32, justifyContent: 'center' },"]
      : []),
    ...(needs.controls.has('picks')
      ? [
          '  options: { gap: 4 },',
          "  option: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 44 },",
          '  mark: { width: 20, height: 20, borderWidth: 2 },',
          '  round: { borderRadius: 10 },',
          '  square: { borderRadius: 2 },',
        ]
      : []),
    ...(needs.controls.has('boxes')
      ? [
          "  groups: { flexDirection: 'row', flexWrap: 'wrap', gap: 16 },",
          "  group: { flexDirection: 'row', gap: 6 },",
          "  box: { width: 40, height: 48, borderWidth: 1, alignItems: 'center', justifyContent: 'center' },",
          '  active: { borderWidth: 3 },',
          "  under: { position: 'absolute', width: '100%', height: '100%', padding: 0, opacity: 0 },",
        ]
      : []),
    '});',
  ];
};

/** Whether fields have something that a button opens. */
const hasPickers = ({ adornments }: AppFacts['needs']): boolean =>
  adornments.has('calendar') || adornments.has('region-list');

/** The imports of `src/Field.tsx`. */
function fieldImports({ form, needs }: AppFacts): readonly Lines[] {
  const isPressed = needs.controls.size > 0 || needs.conceals || hasPickers(needs);
  const isAlone = !form && needs.isAsking;
  const native = [
    'Platform', 'StyleSheet', 'Text', 'TextInput', 'View', 'AccessibilityInfo', ...(isPressed ? ['Pressable'] : []),
    ...(needs.adornments.has('region-list') ? ['ScrollView'] : []),
  ]; // biome-ignore format: a list
  const adapter = [
    'type NativeField', ...(form ? ['type FieldStore'] : isAlone ? ['driveAsks'] : []), 'useNativeField',
    ...(needs.adornments.has('calendar') ? ['useCalendar'] : []), ...(needs.adornments.has('region-list') ? ['useRegions'] : []),
  ]; // biome-ignore format: a list
  return [
    needs.conceals ? "import { useEffect, useState } from 'react';" : "import { useEffect } from 'react';",
    imported(native, 'react-native'),
    "import { type Colors, useColors } from './colors';",
    imported(adapter, './fields/native.js'),
    isAlone && "import { ask } from './server';",
    '',
  ];
}

/** What the component of a field does before it draws. */
function fieldState({ form, needs }: AppFacts): readonly Lines[] {
  return [
    form
      ? [
          'export function Field({ store }: { store: FieldStore }) {',
          '  const definition = store.field;',
          '  const field = useNativeField(definition, { store });',
        ]
      : [
          'export function Field({ of: definition }: { of: Parameters<typeof useNativeField>[0] }) {',
          '  const field = useNativeField(definition);',
          needs.isAsking && '  useEffect(() => driveAsks(field.store, ask), [field.store]);',
        ],
    '  const colors = useColors();',
    needs.conceals && [
      '  const { secureTextEntry } = field.inputProps;',
      '  const [isRevealed, setRevealed] = useState(false);',
      '  const isConcealed = secureTextEntry && !isRevealed;',
      '  const { words = {} } = definition;',
    ],
    `  const { ${needs.adornments.has('counter') ? 'facts, ' : ''}evaluation${needs.controls.size > 0 ? ', shape' : ''} } = field;`,
    "  const message = evaluation.shown.map((one) => one.message).join(' ');",
    '  // Android announces the message itself (aria-live).',
    '  useEffect(() => {',
    "    if (message && Platform.OS === 'ios') AccessibilityInfo.announceForAccessibility(message);",
    '  }, [message]);',
    '  if (!evaluation.counts) return null;',
  ];
}

/** The control of a field, and what is beside it. */
function fieldControl({ needs }: AppFacts): readonly Lines[] {
  const secret = needs.conceals ? ' isConcealed={isConcealed}' : '';
  const line = `<Line field={field} colors={colors}${secret} />`;
  const others = [
    ...(needs.controls.has('picks')
      ? [['shape.options.length > 0', '<Options field={field} colors={colors} />'] as const]
      : []),
    ...(needs.controls.has('boxes')
      ? [
          [
            'shape.groups.length > 0',
            `<Boxes field={field} colors={colors} isConcealed={${needs.conceals ? 'isConcealed' : 'false'}} />`,
          ] as const,
        ]
      : []),
  ];
  return [
    others.map(([test, drawn], i) => [`      ${i ? ') : ' : '{'}${test} ? (`, `        ${drawn}`]),
    others.length > 0 ? ['      ) : (', `        ${line}`, '      )}'] : `      ${line}`,
    needs.adornments.has('counter') && [
      '      {facts.left !== undefined && (',
      '        <Text aria-hidden style={[styles.beside, { color: colors.quiet }]}>{facts.left}</Text>',
      '      )}',
    ],
    needs.adornments.has('calendar') &&
      "      {field.adornments.includes('calendar') && <Calendar field={field} colors={colors} />}",
    needs.adornments.has('region-list') &&
      "      {field.adornments.includes('region-list') && <Regions field={field} colors={colors} />}",
    needs.conceals && [
      '      {secureTextEntry && (',
      '        <Pressable role="button" style={styles.reveal} onPress={() => setRevealed(!isRevealed)}>',
      '          <Text style={[styles.action, { color: colors.text }]}>',
      '            {isRevealed ? words.conceal : words.reveal}',
      '          </Text>',
      '        </Pressable>',
      '      )}',
    ],
  ];
}

/** `src/Field.tsx`: draws any field of the set, with the controls that its fields need. */
export const nativeFieldFile = (facts: AppFacts): string =>
  lines(
    fieldImports(facts),
    '/** Draws a field: label, control, hint and messages. */',
    fieldState(facts),
    '  return (',
    '    <View style={styles.field}>',
    '      <Text {...field.labelProps} style={[styles.text, styles.label, { color: colors.text }]}>',
    '        {definition.label}',
    '      </Text>',
    fieldControl(facts),
    '      {definition.hint && (',
    '        <Text {...field.hintProps} style={{ color: colors.quiet }}>{definition.hint}</Text>',
    '      )}',
    '      <View {...field.messageProps} style={styles.messages}>',
    '        {evaluation.shown.map((one) => (',
    "          <Text key={one.rule} style={{ color: one.severity === 'error' ? colors.wrong : colors.text }}>",
    '            {one.message}',
    '          </Text>',
    '        ))}',
    '      </View>',
    '    </View>',
    '  );',
    '}',
    facts.needs.controls.has('picks') && picks.slice(0, -1),
    facts.needs.controls.has('boxes') && boxes.slice(0, -1),
    facts.needs.adornments.has('calendar') && calendar.slice(0, -1),
    facts.needs.adornments.has('region-list') && regions.slice(0, -1),
    line(facts.needs.conceals ? 'isConcealed' : '').slice(0, -1),
    '',
    styleSheet(facts),
  );
