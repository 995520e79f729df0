// The architecture, as the linter reads it: each core module and the modules it may import.
/** What everything that is judged of a batch may read. */
const judged = [
  'problem',
  'quantity',
  'reference',
  'formula',
  'species',
  'solution',
  'vessel',
  'sheet',
  'procedure',
  'assay',
  'journal',
]
const core = {
  problem: [],
  people: [],
  quantity: ['problem'],
  reference: [],
  formula: ['problem', 'quantity', 'reference'],
  species: ['reference', 'formula'],
  equation: ['problem', 'reference', 'formula', 'species'],
  activity: ['quantity', 'reference'],
  solution: ['problem', 'quantity', 'reference', 'formula', 'species', 'equation', 'activity'],
  supply: ['problem', 'quantity', 'reference', 'formula', 'species', 'equation', 'solution'],
  vessel: ['problem', 'quantity', 'reference', 'formula', 'species', 'equation', 'solution'],
  sheet: ['problem', 'quantity', 'reference', 'formula', 'species', 'equation', 'solution', 'supply', 'vessel'],
  assay: ['problem', 'quantity', 'reference', 'formula', 'species', 'equation', 'solution'],
  journal: ['problem', 'quantity', 'reference', 'vessel'],
  procedure: [
    'problem',
    'quantity',
    'reference',
    'formula',
    'species',
    'equation',
    'solution',
    'vessel',
    'sheet',
    'journal',
  ],
  outcome: judged,
  cause: [...judged, 'outcome'],
  remarks: [...judged, 'outcome'],
  overview: [...judged, 'outcome'],
  route: ['equation', 'supply', 'remarks', ...judged],
  document: ['problem', 'reference', 'formula', 'vessel', 'sheet', 'assay', 'journal', 'procedure'],
  shelf: [...judged, 'supply', 'outcome', 'overview', 'document'],
  drill: [...judged, 'equation', 'supply', 'outcome', 'route'],
  classroom: [...judged, 'outcome', 'overview', 'document'],
  practice: [...judged, 'outcome', 'document', 'classroom'],
  record: ['equation', ...judged, 'outcome', 'cause', 'remarks', 'document', 'shelf'],
}
const packages = {
  document: ['zod'],
  shelf: ['zod'],
  classroom: ['zod'],
  species: ['damerau-levenshtein'],
  drill: ['ts-fsrs'],
}

const only = (regex, message) => ['error', { patterns: [{ regex: `^(?!${regex})`, message }] }]

const doors = [
  { regex: '(^|/)core/', message: 'Import #core/<module>.' },
  { regex: '^#core/[^/]+/', message: 'Import #core/<module>, not a file inside it.' },
]
const server = { regex: '(^|/)server/|^#server|^knex|^pg$', message: 'Ask the server over HTTP.' }
/** Who asks is made of a session or a key, and of nothing else. */
const accessMade = {
  regex: '(^|/)access(/access)?$',
  importNames: ['makeAccess'],
  message: 'An access is made of a session or a key: take the one that the route is given.',
}
const clock = 'The core has no clock: take the time as an argument.'

/** What a file of a core module may import, beside its own (`own`), and that it has neither clock nor dice. */
const coreRules = (name, may, own) => ({
  'no-restricted-imports': only(
    `(${own}|#core/(${may.join('|') || '-'})|${(packages[name] ?? ['-']).join('|')})$`,
    `core/${name} may import its own files and: ${[...may, ...(packages[name] ?? [])].join(', ') || 'nothing else'}.`,
  ),
  'no-restricted-properties': [
    'error',
    { object: 'Date', property: 'now', message: clock },
    { object: 'Math', property: 'random', message: 'The core has no dice: take a generator as an argument.' },
  ],
  'no-restricted-syntax': [
    'error',
    { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: clock },
  ],
})

// Flat config replaces a rule's options, it does not merge them: each file set gets its patterns in one entry.
export default [
  ...Object.entries(core).map(([name, may]) => ({
    files: [`core/${name}/**/*.ts`],
    ignores: ['**/*.test.ts', '**/fixtures/**', 'core/*/families/**'],
    rules: coreRules(name, may, '\\./(families/|families)?[\\w-]*'),
  })),
  {
    // Rows of the table of reaction families stand in a folder of their own, inside their module.
    files: ['core/route/families/*.ts'],
    rules: coreRules('route', core.route, '\\.{1,2}/[\\w-]+'),
  },
  {
    files: ['core/drill/families/*.ts'],
    rules: coreRules('drill', core.drill, '\\.{1,2}/[\\w-]+'),
  },
  {
    files: ['server/**/*.ts', 'cli/**/*.ts', 'demo/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [...doors, accessMade] }] },
  },
  {
    files: ['server/db/{sessions,keys,prepare}.ts', 'server/**/*.test.ts', 'server/**/fixtures.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: doors }] },
  },
  {
    files: ['instruments/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': only('\\./[\\w-]+$', 'The instruments know nothing of the app.') },
  },
  { files: ['app/**/*.{ts,vue}'], rules: { 'no-restricted-imports': ['error', { patterns: [...doors, server] }] } },
]
