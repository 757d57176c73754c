import { createHash } from 'node:crypto';
import { WORKSHOP_ROOT } from '@tembrin/contract';
import type { Face } from '../formats/fonts';

const face = (family: string, weight: number, file: Face) =>
  `@font-face{font-family:${family};font-weight:${weight};font-display:swap;src:url(${WORKSHOP_ROOT}/type/${file}.ttf)}`;

/** The page's whole style: a card on the workshop's wall, by day and by night, on a phone and on paper. */
export const STYLE = [
  face('Literata', 500, 'serif'),
  face('Atkinson', 400, 'text'),
  face('Atkinson', 600, 'strong'),
  `
:root{--ground:#F5EFE3;--card:#FFFBF4;--ink:#221C18;--quiet:#63564A;--line:#D9CDB8;--accent:#A4501E;--now:#9E2A2B;--well:#2E6B5E;color-scheme:light}
@media(prefers-color-scheme:dark){:root{--ground:#12211B;--card:#1A2C24;--ink:#F3E9D8;--quiet:#C2B59F;--line:#3C4F44;--accent:#E79A63;--now:#F0908B;--well:#7CC4B2;color-scheme:dark}}
*{box-sizing:border-box}
body{margin:0;background:var(--ground);color:var(--ink);font:400 17px/1.5 Atkinson,sans-serif}
main{max-width:46rem;margin:0 auto;padding:20px 20px 64px}
h1,h2,h3{font-family:Literata,serif;font-weight:500;line-height:1.25;margin:0}
h1{font-size:30px}h2{font-size:22px;color:var(--accent);margin-top:6px}h3{font-size:18px;margin-top:22px}
p{margin:6px 0}.quiet{color:var(--quiet)}.small{font-size:15px}
.sheet{background:var(--card);border:1px solid var(--line);border-radius:6px;padding:20px;margin-top:18px}
.string{display:flex;align-items:center;margin:14px 0}.string i{width:9px;height:9px;border-radius:50%;background:var(--ink)}
.string b{flex:1;height:1.5px;background:var(--accent)}.string u{width:4px;height:13px;background:var(--line)}
ul{margin:6px 0;padding-left:1.1em}.asked{list-style:none;padding:0}.asked li{padding:7px 0 7px 30px;border-bottom:1px solid var(--line);position:relative}
.asked li::before{content:"";position:absolute;left:2px;top:12px;width:15px;height:15px;border:1.5px solid var(--quiet);border-radius:3px}
.wish{font-weight:600}
.photos{display:grid;grid-template-columns:repeat(auto-fill,minmax(150px,1fr));gap:10px;margin-top:10px}
.photos img{width:100%;aspect-ratio:4/3;object-fit:cover;border-radius:4px;display:block}
details{border-top:1px solid var(--line)}details:last-of-type{border-bottom:1px solid var(--line)}
summary{padding:14px 0;min-height:48px;font-weight:600;cursor:pointer}
form{padding-bottom:18px}
label,legend{display:block;font-weight:600;margin-top:12px;padding:0}
input,textarea,select{font:inherit;color:inherit;background:var(--ground);border:1px solid var(--quiet);border-radius:4px;padding:10px 12px;width:100%;min-height:48px}
textarea{min-height:96px}
fieldset{border:0;margin:18px 0 0;padding:0;min-width:0}
.pair{display:grid;grid-template-columns:1fr 1fr;gap:12px}
.done{display:grid;grid-template-columns:28px 1fr 104px;gap:4px 10px;align-items:center;padding:10px 0;border-bottom:1px solid var(--line)}
.done input[type=checkbox]{width:24px;height:24px;min-height:0;accent-color:var(--accent);margin:0}
.done label{margin:0;font-weight:400}.done .words{grid-column:2/4}.wide{grid-column:1/3}
.figure{display:grid;grid-template-columns:1fr 120px;gap:10px;align-items:center;padding:6px 0}.figure label{margin:0;font-weight:400}
button{font:600 17px Atkinson,sans-serif;color:var(--card);background:var(--accent);border:0;border-radius:4px;min-height:52px;padding:0 22px;margin-top:18px;width:100%;cursor:pointer}
a{color:var(--accent)}:focus-visible{outline:3px solid var(--accent);outline-offset:2px}
[role=alert]{color:var(--now);font-weight:600}[role=status]{color:var(--well);font-weight:600}
.answers{margin:0;padding:0;list-style:none}.answers li{padding:10px 0;border-bottom:1px solid var(--line)}
.pre{white-space:pre-line;overflow-wrap:anywhere}
@media print{details,form,.noprint{display:none}body{background:none}}
`,
].join('');

const hash = createHash('sha256').update(STYLE).digest('base64');

/** What the page may do: show its own type and photographs, and send its form back. Nothing runs in it. */
export const WORKSHOP_POLICY = [
  "default-src 'none'",
  `style-src 'sha256-${hash}'`,
  "img-src 'self'",
  "font-src 'self'",
  "form-action 'self'",
  "base-uri 'none'",
  "frame-ancestors 'none'",
].join('; ');
