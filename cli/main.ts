import { balance } from './commands/balance'
import type { Command } from './commands/command'
import { crystallise } from './commands/crystallise'
import { dissolve } from './commands/dissolve'
import { empirical } from './commands/empirical'
import { explain } from './commands/explain'
import { gravimetric } from './commands/gravimetric'
import { hydrate } from './commands/hydrate'
import { dilute } from './commands/dilute'
import { mass } from './commands/mass'
import { plan } from './commands/plan'
import { procedure } from './commands/procedure'
import { sheet } from './commands/sheet'
import { titrate } from './commands/titrate'
import { yieldCommand } from './commands/yield'
import { fail } from '#core/problem'
import type { Answer } from './answer'

const commands: readonly Command[] = [
  mass,
  balance,
  sheet,
  dissolve,
  crystallise,
  yieldCommand,
  gravimetric,
  hydrate,
  empirical,
  titrate,
  dilute,
  procedure,
  plan,
  explain,
]

const usage = `bin/zl COMMAND ARGUMENT prints the answer as JSON. bin/zl COMMAND --help tells more.

${commands.map(({ name, takes, about }) => `  ${`${name} ${takes}`.padEnd(22)} ${about}`).join('\n')}
`

function answer(command: Command | undefined, name: string, rest: readonly string[]): Answer {
  if (!command)
    return fail({
      code: 'input.unknown-command',
      message: `${name} is not a command.`,
      hint: `Use one of ${commands.map(one => one.name).join(', ')}.`,
    })
  if (rest.length !== 1)
    return fail({
      code: 'input.arguments',
      message: `${name} takes one argument, ${command.takes}; put quotes around it.`,
      hint: `bin/zl ${name} --help shows an example.`,
    })
  return command.run(rest[0]!)
}

// Whoever reads only the first lines closes the pipe: that is no error of ours.
process.stdout.on('error', error => {
  if ((error as NodeJS.ErrnoException).code !== 'EPIPE') throw error
})
const [name, ...rest] = process.argv.slice(2)
if (name === undefined || name === '--help') {
  process.stdout.write(usage)
} else {
  const command = commands.find(one => one.name === name)
  if (command && rest[0] === '--help') {
    process.stdout.write(`bin/zl ${command.name} ${command.takes}: ${command.about}\n\n${command.help}\n`)
  } else {
    const given = answer(command, name, rest)
    if (given.ok) process.stdout.write(`${JSON.stringify(given.value, null, 2)}\n`)
    else {
      process.stderr.write(`${JSON.stringify({ error: given.problem })}\n`)
      process.exitCode = 1
    }
  }
}
