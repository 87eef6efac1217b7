/** The command line of the core: JSON on stdin, JSON on stdout, one line per problem on stderr. */
import { readFileSync } from 'node:fs';
import { COMMANDS } from '../src/core/door/commands';
import { BrokenContractError } from '../src/core/errors';

function help(): string {
  const rows = Object.entries(COMMANDS).map(
    ([name, c]) =>
      `  ${name.padEnd(22)}${c.summary}${c.takes === 'nothing' ? ' (no input)' : c.takes === 'text' ? ' (the file itself)' : ''}`,
  );
  return `npm run -s core -- <command> < input.json\n\n${rows.join('\n')}\n`;
}

function refuse(lines: readonly string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`);
  process.exit(2);
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    return refuse([`input: is not JSON (${error instanceof Error ? error.message : 'unreadable'})`]);
  }
}

const name = process.argv[2] ?? '';
if (name === '--help' || name === '-h') {
  process.stdout.write(help());
  process.exit(0);
}
const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
if (!command) refuse([`command: "${name}" is not one of ${Object.keys(COMMANDS).join(', ')}`]);
try {
  const text = command.takes === 'nothing' ? '' : readFileSync(0, 'utf8');
  const input = command.takes === 'json' ? parse(text) : text;
  process.stdout.write(`${JSON.stringify(command.run(input))}\n`);
} catch (error) {
  if (error instanceof BrokenContractError) refuse(error.problems.map((p) => `${p.field}: ${p.message}`));
  throw error;
}
