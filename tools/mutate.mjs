/*
 * Seeds changes into the code that judges results, one at a time, and asks whether the tests beside it notice. `npm run mutate [how many] [seed]`; thirty of seed 1 where nothing is said.
 * Works on a copy of the code in a new folder of the system's own, which is taken away in the end. Ends with 1 where more than a tenth live.
 */
import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import ts from 'typescript'

const FOLDERS = ['core/cause', 'core/outcome']
const QUICK = ['core/outcome', 'core/cause/judged', 'core/cause/bayes', 'core/cause/rows', 'core/cause/settle']
const COPIED = ['core', 'demo', 'docs', 'instruments', 'package.json', 'vitest.config.ts', 'tsconfig.json']
const MOST_IN_A_FILE = 2
const KILLED = 0.9

const [count = 30, seed = 1] = process.argv.slice(2).map(Number)
const root = resolve(import.meta.dirname, '..')

/** Park and Miller's minimal generator: the same seed makes the same changes. */
let state = seed
const random = () => (state = (state * 48271) % 2147483647) / 2147483647

const SWAPPED = {
  '<': '>=',
  '>': '<=',
  '<=': '>',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
}

/** Every place of a file that can be changed, with what it would become. */
function changesIn(path) {
  const text = readFileSync(join(root, path), 'utf8')
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true)
  const found = []
  const change = (node, to) => {
    const start = node.getStart(source)
    const { line } = source.getLineAndCharacterOfPosition(start)
    found.push({ path, start, end: node.getEnd(), from: text.slice(start, node.getEnd()), to, line: line + 1 })
  }
  const visit = node => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isImportDeclaration(node)) return
    if (ts.isBinaryExpression(node)) {
      const to = SWAPPED[node.operatorToken.getText(source)]
      if (to && !isWords(node)) change(node.operatorToken, to)
    }
    if (ts.isNumericLiteral(node)) change(node, node.text === '0' ? '1' : `(${node.text} * 1.7)`)
    if (node.kind === ts.SyntaxKind.TrueKeyword) change(node, 'false')
    if (node.kind === ts.SyntaxKind.FalseKeyword) change(node, 'true')
    if (ts.isConditionalExpression(node)) change(node.condition, `!(${node.condition.getText(source)})`)
    ts.forEachChild(node, visit)
  }
  const isWords = ({ left, right }) =>
    [left, right].some(one => ts.isStringLiteral(one) || ts.isTemplateExpression(one))
  visit(source)
  return found
}

const files = FOLDERS.flatMap(folder =>
  readdirSync(join(root, folder))
    .filter(name => name.endsWith('.ts') && !name.endsWith('.test.ts') && name !== 'index.ts')
    .map(name => `${folder}/${name}`),
)
const shuffled = files
  .flatMap(changesIn)
  .map(one => ({ one, key: random() }))
  .toSorted((a, b) => a.key - b.key)
const inFile = new Map()
const chosen = []
for (const { one } of shuffled) {
  const here = inFile.get(one.path) ?? 0
  if (here >= MOST_IN_A_FILE) continue
  inFile.set(one.path, here + 1)
  chosen.push(one)
  if (chosen.length >= count) break
}

const copy = mkdtempSync(join(tmpdir(), 'zip-ledger-mutants-'))
try {
  for (const name of COPIED) cpSync(join(root, name), join(copy, name), { recursive: true })
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  symlinkSync(join(root, '.nuxt'), join(copy, '.nuxt'))
  const passesIn = files =>
    spawnSync('npx', ['vitest', 'run', '--project', 'core', '--bail', '1', ...files], { cwd: copy, stdio: 'ignore' })
      .status === 0
  // What notices most is asked first: the rest only of what lives.
  const passes = () => passesIn(QUICK) && passesIn(FOLDERS)
  if (!passes()) throw new Error('The tests fail before anything is changed.')
  const alive = []
  for (const [i, one] of chosen.entries()) {
    const path = join(copy, one.path)
    const text = readFileSync(path, 'utf8')
    writeFileSync(path, text.slice(0, one.start) + one.to + text.slice(one.end))
    const lives = passes()
    writeFileSync(path, text)
    if (lives) alive.push(one)
    console.log(
      `${i + 1}/${chosen.length} ${lives ? 'lives ' : 'killed'} ${one.path}:${one.line}  ${one.from} → ${one.to}`,
    )
  }
  const killed = chosen.length - alive.length
  console.log(`${killed} of ${chosen.length} killed.`)
  if (killed < KILLED * chosen.length) process.exitCode = 1
} finally {
  rmSync(copy, { recursive: true, force: true })
}
