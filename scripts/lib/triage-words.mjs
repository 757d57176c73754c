import {
  CAUSES,
  CHANCES,
  CONDITIONS,
  factsSchema,
  FINE,
  QUESTIONS,
  SKILLS,
  SYMPTOMS,
} from '../../core/src/triage/index.ts';

const whose = ({ families, kinds }) => [families.join(', '), ...(kinds ? [`(${kinds.join(', ')})`] : [])].join(' ');
const table = (heads, rows) =>
  [heads, heads.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n');

/** Every word a case file may use, as a page: docs/triage-cases.md. */
export function vocabulary() {
  const facts = Object.entries(factsSchema.shape).map(([name, schema]) => {
    const { options, minValue, maxValue } = schema.unwrap();
    return [`\`${name}\``, options ? options.map((each) => `\`${each}\``).join(', ') : `${minValue} to ${maxValue}`];
  });
  return `# Cases: what is wrong with an instrument

\`npm run triage -- case.json\` reads a case and prints what it could be with its chances, what to look at next, who sees to it and how
soon, as JSON. A case:

\`\`\`json
{
  "family": "violin",
  "player": "player",
  "facts": { "knockDays": 0, "stringWear": 0.4 },
  "symptoms": ["hollow"],
  "answers": { "post": "fine" }
}
\`\`\`

\`family\`: violin, viola, cello, bass, guitar or harp; \`kind\` for a guitar (steel, classical, electric, bass-guitar) and a harp (lever,
pedal). \`earlier\`: ids of causes that earlier troubles of this instrument turned out to be. \`player\`, who looks: ${SKILLS.map((each) => `\`${each}\``).join(', ')}. Whatever is left out is not known. Chances are stated classes: ${Object.entries(
    CHANCES,
  )
    .map(([name, value]) => `${name} ${value}`)
    .join(', ')}.

## Facts of the assessment

${table(['fact', 'values'], facts)}

They make causes likelier by these conditions: ${Object.keys(CONDITIONS)
    .map((each) => `\`${each}\``)
    .join(', ')}.

## Symptoms

${table(
  ['symptom', 'in a player’s words', 'of'],
  Object.entries(SYMPTOMS).map(([id, each]) => [`\`${id}\``, each.title, whose(each)]),
)}

## Looks and their answers

Besides those, every look may be answered \`${FINE}\`.

${table(
  ['look', 'what is looked at', 'answers', 'minutes', 'who can', 'of'],
  Object.entries(QUESTIONS).map(([id, each]) => [
    `\`${id}\``,
    each.asks,
    Object.entries(each.answers)
      .map(([answer, title]) => `\`${answer}\` ${title}`)
      .join('; '),
    String(each.minutes),
    each.skill,
    whose(each),
  ]),
)}

## Causes

${table(
  ['cause', 'what it is', 'who', 'how soon', 'mark', 'of'],
  Object.entries(CAUSES).map(([id, each]) => [
    `\`${id}\``,
    each.danger ? `**${each.title}**` : each.title,
    each.who,
    each.when,
    each.mark,
    whose(each),
  ]),
)}

Bold: a danger. It is named before anything else until a look rules it out.`;
}
