/** A paragraph of a letter, a heading, or something to follow. */
export type Part = string | { heading: string } | { title: string; href: string };

/** A letter as it is thought of: what it is about, and paragraphs. */
export interface Letter {
  subject: string;
  parts: readonly Part[];
}

const SPECIAL: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escaped = (text: string) => text.replaceAll(/[&<>"']/g, (sign) => SPECIAL[sign]!);

const P = 'margin:0 0 16px';
const LINK = 'color:#A4501E;font-weight:600';

const HEADING = 'font:500 19px/1.3 serif;margin:24px 0 8px;padding-top:16px;border-top:1px solid #D9CDB8';

function asText(part: Part): string {
  if (typeof part === 'string') return part;
  return 'heading' in part ? `* ${part.heading}` : `${part.title}:\n${part.href}`;
}
function asHtml(part: Part): string {
  if (typeof part === 'string') return `<p style="${P}">${escaped(part).replaceAll('\n', '<br>')}</p>`;
  if ('heading' in part) return `<h2 style="${HEADING}">${escaped(part.heading)}</h2>`;
  return `<p style="${P}"><a style="${LINK}" href="${escaped(part.href)}">${escaped(part.title)}</a></p>`;
}

/**
 * A letter in its two forms: text, and plain HTML that says the same without pictures, scripts or anything fetched.
 * @param parts its paragraphs; what comes from people is escaped here
 */
export function written({ subject, parts }: Letter): { text: string; html: string } {
  const html = [
    '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">',
    `<title>${escaped(subject)}</title></head>`,
    '<body style="margin:0;padding:24px;background:#F5EFE3;color:#221C18;font:17px/1.5 sans-serif">',
    '<div style="max-width:34em;margin:0 auto;background:#FFFBF4;border:1px solid #D9CDB8;padding:24px">',
    `<h1 style="font:500 22px/1.3 serif;margin:0 0 16px">${escaped(subject)}</h1>`,
    ...parts.map(asHtml),
    '</div></body></html>',
  ].join('\n');
  return { text: `${parts.map(asText).join('\n\n')}\n`, html };
}
