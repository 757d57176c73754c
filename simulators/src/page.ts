const SPECIAL: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
/** Text as it stands in a page. */
export const escaped = (text: string) => text.replaceAll(/[&<>"']/g, (sign) => SPECIAL[sign]!);

/** Text with its addresses as links: only of pages, and only as far as the next blank, quote or bracket. */
export const linked = (text: string) =>
  text
    .split(/(https?:\/\/[^\s<>"']+)/)
    .map((part, at) => (at % 2 === 1 ? `<a href="${escaped(part)}">${escaped(part)}</a>` : escaped(part)))
    .join('');

const STYLE = `
:root{--ground:#F5EFE3;--card:#FFFBF4;--ink:#221C18;--quiet:#63564A;--line:#D9CDB8;--accent:#A4501E;color-scheme:light}
@media(prefers-color-scheme:dark){:root{--ground:#12211B;--card:#1A2C24;--ink:#F3E9D8;--quiet:#C2B59F;--line:#3C4F44;--accent:#E79A63;color-scheme:dark}}
*{box-sizing:border-box}body{margin:0;background:var(--ground);color:var(--ink);font:17px/1.5 sans-serif}
main{max-width:46rem;margin:0 auto;padding:28px 20px 64px}h1{font:500 30px/1.25 serif;margin:0 0 4px}h2{font:500 20px/1.3 serif;margin:28px 0 8px}
p{color:var(--quiet);margin:0 0 20px}a{color:var(--accent)}
ol{list-style:none;margin:0;padding:0}li{padding:14px 0;border-bottom:1px solid var(--line)}li a{display:block;font-weight:600}li span{color:var(--quiet)}
dl{display:grid;grid-template-columns:max-content 1fr;gap:4px 16px;margin:0}dt{color:var(--quiet)}dd{margin:0;overflow-wrap:anywhere}
pre{white-space:pre-wrap;overflow-wrap:anywhere;background:var(--card);border:1px solid var(--line);padding:16px;font:15px/1.5 monospace;margin:0}
iframe{width:100%;height:26rem;border:1px solid var(--line);background:#F5EFE3}`;

/**
 * A page of a stand-in.
 * @param title plain, or escaped
 * @param lead a sentence below it, as HTML
 * @param body the rest, as HTML
 */
export const pageOf = (title: string, lead: string, body: string) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${title}</title><style>${STYLE}</style></head><body><main><h1>${title}</h1><p>${lead}</p>${body}</main></body></html>`;
