/** The command line of the core: JSON on stdin, JSON on stdout, one line per problem on stderr. */
import { readFileSync } from 'node:fs';
import { COMMANDS, type Command } from '../src/core/door/commands';
import { loadSolver } from '../src/workers/solver';
import { BrokenContractError } from '../src/core/errors';

function help(): string {
  const rows = Object.entries(COMMANDS).map(
    ([name, c]) =>
      `  ${name.padEnd(22)}${c.summary}${c.takes === 'nothing' ? ' (no input)' : c.takes === 'file' ? ' (the file itself)' : ''}`,
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

/** Flags of a command: `--name value` or `--name=value`; one it does not know is refused. */
function flagsFor(asked: Command, args: readonly string[]): Record<string, string> {
  const known = asked.flags ?? {};
  const flags: Record<string, string> = {};
  for (let i = 0; i < args.length; i++) {
    const [, flag = '', inline] = /^--([a-z-]+)(?:=(.*))?$/s.exec(args[i] ?? '') ?? [];
    if (!Object.hasOwn(known, flag))
      refuse([
        `${args[i] ?? ''}: this command knows ${
          Object.keys(known)
            .map((f) => `--${f}`)
            .join(', ') || 'no flags'
        }`,
      ]);
    const value = inline ?? args[++i];
    if (value === undefined) refuse([`--${flag}: needs a value (${known[flag] ?? ''})`]);
    flags[flag] = value;
  }
  return flags;
}

const name = process.argv[2] ?? '';
if (name === '--help' || name === '-h') {
  process.stdout.write(help());
  process.exit(0);
}
const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
if (!command) refuse([`command: "${name}" is not one of ${Object.keys(COMMANDS).join(', ')}`]);
try {
  const flags = flagsFor(command, process.argv.slice(3));
  const bytes = command.takes === 'nothing' ? new Uint8Array() : new Uint8Array(readFileSync(0));
  const input = command.takes === 'json' ? parse(new TextDecoder().decode(bytes)) : bytes;
  process.stdout.write(
    `${JSON.stringify(await command.run(input, flags, name === 'bench-plan' ? await loadSolver() : null))}\n`,
  );
} catch (error) {
  if (error instanceof BrokenContractError) refuse(error.problems.map((p) => `${p.field}: ${p.message}`));
  throw error;
}
