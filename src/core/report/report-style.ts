/** How the report looks: on a screen of any width, light and dark, and on paper of any size. */
export const REPORT_STYLE = `
:root{color-scheme:light dark;--ink:#14231e;--quiet:#56655f;--line:#d5ddd7;--ground:#edf1ed;--sheet:#fff;--wrong:#c2361f;--warn:#8f5c00;--good:#0a7d4d}
@media (prefers-color-scheme:dark){:root{--ink:#e8f0eb;--quiet:#9db0a7;--line:#2e3b35;--ground:#111815;--sheet:#19221e;--wrong:#ff8a75;--warn:#e9b85a;--good:#4fcf8f}}
*{box-sizing:border-box}
body{margin:0;background:var(--ground);color:var(--ink);font:15px/1.5 "Hanken Grotesk",system-ui,sans-serif;overflow-wrap:anywhere}
main{max-width:960px;margin:0 auto;padding:36px 20px 60px}
h1{font-size:34px;line-height:1.15;margin:0 0 6px;letter-spacing:-.01em}
h2{font-size:21px;margin:44px 0 10px}h3{font-size:15px;margin:22px 0 8px}
p{margin:4px 0}a{color:inherit}
.quiet{color:var(--quiet)}.error{color:var(--wrong)}.warning{color:var(--warn)}.note{color:var(--quiet)}.good{color:var(--good)}
.numbers{display:flex;flex-wrap:wrap;gap:14px 40px;margin:22px 0;padding:0;list-style:none}
.numbers b{display:block;font-size:34px;line-height:1.1;font-weight:600;font-variant-numeric:tabular-nums}
.cards{display:grid;grid-template-columns:repeat(auto-fill,minmax(min(350px,100%),1fr));gap:20px 18px;align-items:start;margin:0;padding:0;list-style:none}
.cards li,.cards figure{min-width:0;margin:0}
.cards svg{display:block;width:auto;max-width:100%;height:auto;overflow:visible}
svg text{font-family:Arimo,Arial,Helvetica,sans-serif}
@media (min-width:640px){.start{grid-template-columns:minmax(0,11fr) minmax(0,10fr)}.start>:first-child{grid-row:span 2}}
figcaption,.caption{margin-top:6px;font-size:13px}
code{font:12.5px/1.5 "JetBrains Mono",ui-monospace,monospace}
.changes{margin:0;padding:0 0 0 22px}.changes li{margin:0 0 10px;padding-left:4px}
.told{margin:14px 0 0;padding:0;list-style:none}.told li{border-top:1px solid var(--line);padding:5px 0}
table{border-collapse:collapse;width:100%}td,th{border-bottom:1px solid var(--line);padding:5px 10px 5px 0;text-align:left;font-size:14px;vertical-align:top}td.n,th.n{text-align:right;font-variant-numeric:tabular-nums}
pre{border-left:2px solid var(--line);padding:2px 0 2px 12px;margin:6px 0;white-space:pre-wrap;font-size:12px}
.evidence>li{border-top:1px solid var(--line);padding:10px 0}.evidence{list-style:none;margin:0;padding:0}
.aside{position:absolute;width:0;height:0}
@page{margin:14mm 13mm}
@media print{
:root{color-scheme:light;--ink:#14231e;--quiet:#56655f;--line:#d5ddd7;--ground:#fff;--sheet:#fff;--wrong:#c2361f;--warn:#8f5c00;--good:#0a7d4d}
body{font-size:10pt;line-height:1.4;-webkit-print-color-adjust:exact;print-color-adjust:exact}
main{max-width:none;padding:0}h1{font-size:21pt}h2{font-size:13pt;margin:16pt 0 6pt}.numbers{margin:12pt 0}.numbers b{font-size:19pt}.changes li{margin-bottom:4pt}
.cards{grid-template-columns:repeat(2,1fr);gap:12pt 12pt}.start{grid-template-columns:11fr 10fr;max-width:150mm}.start>:nth-child(2) svg{max-width:72%}.start>:first-child{grid-row:span 2}
h2,h3{break-after:avoid}.cards li,.changes li,.evidence>li,tr,pre{break-inside:avoid}
.first{break-after:page}.only{break-after:auto}
details>summary{display:none}details::details-content{content-visibility:visible;block-size:auto}
}`
