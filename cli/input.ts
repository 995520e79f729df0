import { readFileSync } from 'node:fs'
import type { z } from 'zod'
import { fail, ok, type Checked } from '#core/problem'
import { pathText, type CommandError } from './answer'

/** The text of an argument or, for `-`, of standard input. */
export function readText(argument: string): Checked<string, CommandError> {
  return argument === '-' ? readFile(0, 'standard input') : ok(argument)
}

/** The JSON of a file or, for `-`, of standard input, as `schema` describes it; unknown keys are refused. */
export function readJson<S extends z.ZodType>(argument: string, schema: S): Checked<z.output<S>, CommandError> {
  const text = argument === '-' ? readFile(0, 'standard input') : readFile(argument, argument)
  if (!text.ok) return text
  let json: unknown
  try {
    json = JSON.parse(text.value)
  } catch (error) {
    return fail({
      code: 'input.not-json',
      message: `This is not JSON: ${(error as Error).message}`,
      hint: 'Check quotes, commas and brackets.',
    })
  }
  const read = schema.safeParse(json)
  return read.success ? ok(read.data) : fail(issueError(read.error.issues[0]!))
}

function readFile(from: string | 0, name: string): Checked<string, CommandError> {
  try {
    return ok(readFileSync(from, 'utf8').replace(/\n$/, ''))
  } catch {
    return fail({
      code: 'input.no-file',
      message: `${name} cannot be read.`,
      hint: 'Give the path of a JSON file, or - for standard input.',
    })
  }
}

function issueError(issue: z.core.$ZodIssue): CommandError {
  const place = pathText(issue.path)
  const at = place ? `${place}: ` : ''
  if (issue.code === 'unrecognized_keys') {
    return {
      code: 'input.unknown-key',
      message: `${at}${issue.keys.map(key => `"${key}"`).join(', ')} is not a key here.`,
      hint: 'See --help for the keys of this command.',
    }
  }
  if (issue.code === 'invalid_type' && issue.message.includes('received undefined')) {
    return {
      code: 'input.missing-key',
      message: `${place} is missing.`,
      hint: 'See --help for the keys of this command.',
    }
  }
  return {
    code: 'input.wrong-shape',
    message: `${at}${issue.message}`,
    hint: 'See --help for the keys of this command.',
  }
}
