import { readFileSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { JobFile } from '../src/core/file';
import { METHODS } from '../src/core/method';
import { PlanReport, RepairReport } from '../src/core/record';
import { BROKE, SHAPE_IDS, SHAPES } from '../src/core/void';
import { SCHEMAS } from '../src/store/records';

/** Writes the parts of docs/ that come from the code; with --check only says whether they are current. */
type Node = {
  type?: string | string[];
  const?: unknown;
  enum?: unknown[];
  anyOf?: Node[];
  oneOf?: Node[];
  items?: Node;
  properties?: Record<string, Node>;
  additionalProperties?: Node | boolean;
  minimum?: number;
  maximum?: number;
  $ref?: string;
};

function typeOf(n: Node): string {
  if (n.const !== undefined) return `\`${JSON.stringify(n.const)}\``;
  if (n.enum) return n.enum.map((e) => `\`${JSON.stringify(e)}\``).join(' or ');
  const several = n.anyOf ?? n.oneOf;
  if (several) return several.map(typeOf).join(' or ');
  if (n.type === 'array') return `list of ${n.items ? typeOf(n.items) : 'anything'}`;
  if (n.type === 'object' && n.properties)
    return `{ ${Object.entries(n.properties)
      .map(([k, v]) => `${k}: ${typeOf(v)}`)
      .join(', ')} }`;
  if (n.type === 'object')
    return `map of ${typeof n.additionalProperties === 'object' ? typeOf(n.additionalProperties) : 'anything'}`;
  return Array.isArray(n.type) ? n.type.join(' or ') : (n.type ?? 'anything');
}

function table(schema: z.ZodType): string {
  const node = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Node;
  const rows = Object.entries(node.properties ?? {}).map(
    ([key, value]) => `| \`${key}\` | ${typeOf(value).replaceAll('|', '\\|')} |`,
  );
  return ['| field | value |', '|---|---|', ...rows].join('\n');
}

const fileFormat = `# The job file

One job with everything that belongs to it, as JSON in UTF-8: \`.grenko.json\`. This page is written from the schemas (\`npm run docs\`); they are the single definition. Lengths are mm, volumes mL, masses g, temperatures °C, durations minutes, instants epoch milliseconds; field names carry the unit.

A file of an older version is brought forward step by step when it is read; a newer one is refused and nothing is changed. Reading refuses with the place: line and column where the JSON breaks off, else the path of the field that does not fit with its line and column (\`repairs.0.scaleStepG\`). A byte-order mark is no fault. Every id is of letters, digits and \`. : ~ _ -\` and stands once in its list; zones are those the engine knows, instants lie from 1970 to 2200. Merging two copies of a job is the union of their events by \`id\`; what is here already stays as it is, and a record of one id and other content is kept beside it and shown side by side. A file whose records carry ids of another job that is here is refused.

## The file

${table(JobFile)
  .split('\n')
  .map((row) =>
    row.replace(/list of \{.*$/, 'list of records, below |').replace(/\| `job` \|.*/, '| `job` | a record, below |'),
  )
  .join('\n')}

${Object.entries(SCHEMAS)
  .map(
    ([kind, schema]) =>
      `## ${kind}\n\n${kind === 'snapshot' ? table(schema).replace(/\| `(job|repairs|report)` \|.*/g, '| `$1` | as it stood, see its own section |') : table(schema)}`,
  )
  .join('\n\n')}

## The plan that \`npm run plan\` and \`POST /api/plan\` print

${table(PlanReport).replace(/\| `repairs` \|.*/, '| `repairs` | list of the records below |')}

### One repair of the plan

${table(RepairReport)}

## From the command line and over HTTP

\`\`\`
npm run -s plan -- job.grenko.json --at 2026-05-05T06:40:00Z
cat job.grenko.json | npm run -s plan -- -
curl -X POST --data-binary @job.grenko.json 'http://localhost:3000/api/plan?at=2026-05-05T06:40:00Z'
\`\`\`

\`--at\` (or \`?at=\`) sets the present; without it, it is when the file was written. A bad file ends with status 2 (HTTP 400) and a message that names the field; over HTTP as \`{"error": {"field", "allowed", "sentence"}}\`. Bodies over 20 MB are refused with 413, a plan that takes longer than 20 s with 422; when too many wait, the answer is 503 with \`Retry-After\`.

## A list of damage

What an engineer’s schedule or a spreadsheet has, taken in at a job (“Many at once”) and given out by it (“List as CSV”). A line of headings, a line for each damage or for several that are alike, divided by tabs, semicolons or commas; quotes as spreadsheets write them. Headings are read by the words of the trade, English or German (\`core/plan/damage-words.ts\`): name or number, where, what is broken or how it is repaired, made of, how many, and the sizes length, width, depth, deepest place, diameter, inner diameter, rod, embedment, thickness. A unit stands in the heading, \`Length (m)\`, or in the cell; a bare figure under a heading without one is asked for. Which dimension of a shape a size is stands with the shape (\`sizes\`). Up to 100 lines at once.

## A backup

The zip that Settings makes holds \`backup.json\` (\`{ format: "grenko-backup", version: 1, madeAt, jobs, sheets }\`), one job file for every job as \`jobs/ID.grenko.json\`, all sheets and lots as \`sheets.grenko.json\`, and, where there are any, the records set aside as they stand (\`set-aside.json\`). Each can be taken in by itself.
`;

const methodList = `<!-- written by npm run docs -->
${METHODS.map((m) => `### ${m.label}\n\n${m.does}\n\n- bases: ${m.bases.join(', ')}; engine: ${m.engine}; waits for: ${m.serves}\n- inspection: ${m.questions.map((q) => `${q.ask} (${q.otherwise.severity}: ${q.otherwise.title.toLowerCase()})`).join(' ')}\n- choices: ${m.schools.map((s) => `${s.matter.toLowerCase()} (${s.options.map((o) => (o.id === s.byDefault ? `**${o.label}**` : o.label)).join(' · ')})`).join('; ')}\n- tests before release: ${m.tests.map((t) => t.ask).join(' ')}`).join('\n\n')}
<!-- end -->`;

const shapeList = `<!-- shapes, written by npm run docs -->
| shape | what one sees | group | measured by | planned by |
|---|---|---|---|---|
${SHAPE_IDS.map((id) => {
  const kind = SHAPES[id];
  const shape = kind.blank();
  const asks = [
    ...kind.dimensions(shape).map((d) => d.label.toLowerCase()),
    ...(kind.inputs?.(shape) ?? []).map((x) => x.label.toLowerCase()),
  ];
  const planned = METHODS.filter((m) => m.shapes.includes(id)).map((m) => m.label.toLowerCase());
  return `| ${kind.label} | ${kind.seen} | ${BROKE[kind.broke]} | ${asks.join(', ')} | ${planned.join(', ') || 'measured only, so far'} |`;
}).join('\n')}
<!-- shapes end -->`;

const methodsPath = 'docs/methods.md';
const written: [string, string][] = [
  ['docs/file-format.md', fileFormat],
  [
    methodsPath,
    readFileSync(methodsPath, 'utf8')
      .replace(/<!-- written by npm run docs -->[\s\S]*<!-- end -->/, () => methodList)
      .replace(/<!-- shapes, written by npm run docs -->[\s\S]*<!-- shapes end -->/, () => shapeList),
  ],
];
const stale = written.filter(([path, text]) => {
  try {
    return readFileSync(path, 'utf8') !== text;
  } catch {
    return true;
  }
});
if (process.argv.includes('--check')) {
  if (stale.length) {
    console.error(`Not current: ${stale.map(([path]) => path).join(', ')}. Run npm run docs.`);
    process.exitCode = 1;
  }
} else for (const [path, text] of stale) writeFileSync(path, text);
