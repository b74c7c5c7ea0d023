// src/core/page/scan/attributes.ts
var TAB = 9;
var LF = 10;
var FF = 12;
var CR = 13;
var SPACE = 32;
var DOUBLE_QUOTE = 34;
var SINGLE_QUOTE = 39;
var SLASH = 47;
var EQUALS = 61;
var GREATER = 62;
function isSpace(unit) {
  return unit === SPACE || unit === LF || unit === TAB || unit === CR || unit === FF;
}
function endOfTag(text, from) {
  let index = from;
  let isNamed = false;
  for (; ; ) {
    const unit = text.charCodeAt(index++);
    if (unit > GREATER) isNamed = true;
    else if (unit === GREATER) return index;
    else if (unit === EQUALS && isNamed) {
      isNamed = false;
      while (isSpace(text.charCodeAt(index))) index++;
      const first = text.charCodeAt(index);
      if (first === DOUBLE_QUOTE || first === SINGLE_QUOTE) {
        index = text.indexOf(first === DOUBLE_QUOTE ? '"' : "'", index + 1) + 1;
        if (index === 0) return -1;
      } else {
        while (index < text.length && text.charCodeAt(index) !== GREATER && !isSpace(text.charCodeAt(index))) index++;
      }
    } else if (unit === SLASH) isNamed = false;
    else if (!isSpace(unit)) {
      if (index > text.length) return -1;
      isNamed = true;
    }
  }
}

// src/core/page/scan/raw-text.ts
var BANG = 33;
var DASH = 45;
var GREATER2 = 62;
function endOfComment(text, from) {
  if (text.charCodeAt(from) === GREATER2) return from + 1;
  if (text.charCodeAt(from) === DASH && text.charCodeAt(from + 1) === GREATER2) return from + 2;
  let dashes = text.indexOf("--", from);
  while (dashes >= 0) {
    let after = dashes + 2;
    while (text.charCodeAt(after) === DASH) after++;
    if (text.charCodeAt(after) === GREATER2) return after + 1;
    if (text.charCodeAt(after) === BANG && text.charCodeAt(after + 1) === GREATER2) return after + 2;
    dashes = text.indexOf("--", after);
  }
  return -1;
}

// src/core/page/scan/tag-table.ts
var IS_SPECIAL = 1 << 0;
var IS_SCOPE = 1 << 1;
var IS_IMPLIED_END = 1 << 2;
var IS_IMPLIED_END_THOROUGH = 1 << 3;
var IS_FOSTERS = 1 << 4;
var IS_HEADING = 1 << 5;
var IS_LIST_PASS = 1 << 6;
var IS_BREAKOUT = 1 << 7;
var IS_ASIDE = 1 << 8;
var IS_MAIN = 1 << 9;
var IS_UNSEEN = 1 << 10;
var IS_SPEAKS = 1 << 11;
var IS_READS_ATTRIBUTES = 1 << 12;
var IS_TELLING = 1 << 13;
var NAMES = [
  "",
  "a",
  "address",
  "annotation-xml",
  "applet",
  "area",
  "article",
  "aside",
  "b",
  "base",
  "basefont",
  "bgsound",
  "big",
  "blockquote",
  "body",
  "br",
  "button",
  "caption",
  "center",
  "circle",
  "clippath",
  "code",
  "col",
  "colgroup",
  "dd",
  "defs",
  "desc",
  "details",
  "dialog",
  "dir",
  "div",
  "dl",
  "dt",
  "ellipse",
  "em",
  "embed",
  "fegaussianblur",
  "feoffset",
  "fieldset",
  "figcaption",
  "figure",
  "filter",
  "font",
  "footer",
  "foreignobject",
  "form",
  "frame",
  "frameset",
  "g",
  "h1",
  "h2",
  "h3",
  "h4",
  "h5",
  "h6",
  "head",
  "header",
  "hgroup",
  "hr",
  "html",
  "i",
  "iframe",
  "image",
  "img",
  "input",
  "keygen",
  "li",
  "line",
  "lineargradient",
  "link",
  "listing",
  "main",
  "malignmark",
  "marquee",
  "mask",
  "math",
  "menu",
  "meta",
  "mglyph",
  "mi",
  "mn",
  "mo",
  "ms",
  "mtext",
  "nav",
  "nobr",
  "noembed",
  "noframes",
  "noscript",
  "object",
  "ol",
  "optgroup",
  "option",
  "p",
  "param",
  "path",
  "pattern",
  "plaintext",
  "polygon",
  "polyline",
  "pre",
  "radialgradient",
  "rb",
  "rect",
  "rp",
  "rt",
  "rtc",
  "ruby",
  "s",
  "script",
  "search",
  "section",
  "select",
  "small",
  "source",
  "span",
  "stop",
  "strike",
  "strong",
  "style",
  "sub",
  "summary",
  "sup",
  "svg",
  "symbol",
  "table",
  "tbody",
  "td",
  "template",
  "text",
  "textarea",
  "tfoot",
  "th",
  "thead",
  "title",
  "tr",
  "track",
  "tspan",
  "tt",
  "u",
  "ul",
  "use",
  "var",
  "wbr",
  "xmp"
];
var PROPS = Int32Array.from([
  0,
  14336,
  65,
  4096,
  3,
  14337,
  10753,
  257,
  128,
  14337,
  1,
  1,
  128,
  129,
  129,
  129,
  1,
  11,
  129,
  0,
  0,
  128,
  1,
  9,
  141,
  0,
  0,
  1,
  256,
  1,
  193,
  129,
  141,
  0,
  128,
  129,
  0,
  0,
  1,
  1,
  1,
  0,
  4096,
  257,
  0,
  257,
  1,
  1,
  0,
  10401,
  161,
  161,
  161,
  161,
  161,
  129,
  257,
  1,
  129,
  14339,
  128,
  8193,
  14336,
  14465,
  4097,
  1,
  141,
  0,
  0,
  14337,
  129,
  10753,
  0,
  3,
  0,
  12288,
  129,
  14465,
  0,
  0,
  0,
  0,
  0,
  0,
  257,
  128,
  8193,
  8193,
  1025,
  3,
  129,
  12,
  12,
  6349,
  1,
  0,
  0,
  8193,
  0,
  0,
  129,
  0,
  12,
  0,
  12,
  12,
  12,
  128,
  128,
  15361,
  1,
  1,
  8193,
  128,
  1,
  128,
  0,
  128,
  128,
  9217,
  128,
  1,
  128,
  12288,
  0,
  147,
  25,
  11,
  9219,
  0,
  8193,
  25,
  11,
  25,
  10241,
  25,
  1,
  0,
  128,
  128,
  129,
  0,
  128,
  1,
  8193
]);
var IN_BODY_START = Uint8Array.from([
  0,
  13,
  5,
  0,
  16,
  18,
  5,
  5,
  14,
  2,
  2,
  2,
  14,
  5,
  3,
  18,
  12,
  31,
  5,
  0,
  0,
  14,
  31,
  31,
  10,
  0,
  0,
  5,
  5,
  5,
  5,
  5,
  10,
  0,
  14,
  18,
  0,
  0,
  5,
  5,
  5,
  0,
  14,
  5,
  0,
  8,
  31,
  4,
  0,
  6,
  6,
  6,
  6,
  6,
  6,
  31,
  5,
  5,
  21,
  1,
  14,
  24,
  18,
  18,
  19,
  18,
  9,
  0,
  0,
  2,
  7,
  5,
  0,
  16,
  0,
  30,
  5,
  2,
  0,
  0,
  0,
  0,
  0,
  0,
  5,
  15,
  25,
  2,
  0,
  16,
  5,
  27,
  27,
  5,
  20,
  0,
  0,
  11,
  0,
  0,
  7,
  0,
  28,
  0,
  29,
  29,
  28,
  0,
  14,
  2,
  5,
  5,
  26,
  14,
  20,
  0,
  0,
  14,
  14,
  2,
  0,
  5,
  0,
  30,
  0,
  17,
  31,
  31,
  2,
  0,
  22,
  31,
  31,
  31,
  2,
  31,
  20,
  0,
  14,
  14,
  5,
  0,
  0,
  18,
  23
]);
var IN_BODY_END = Uint8Array.from([
  0,
  10,
  4,
  0,
  11,
  0,
  4,
  4,
  10,
  0,
  0,
  0,
  10,
  4,
  2,
  12,
  4,
  0,
  4,
  0,
  0,
  10,
  0,
  0,
  8,
  0,
  0,
  4,
  4,
  4,
  4,
  4,
  8,
  0,
  10,
  0,
  0,
  0,
  4,
  4,
  4,
  0,
  10,
  4,
  0,
  5,
  0,
  0,
  0,
  9,
  9,
  9,
  9,
  9,
  9,
  0,
  4,
  4,
  0,
  3,
  10,
  0,
  0,
  0,
  0,
  0,
  7,
  0,
  0,
  0,
  4,
  4,
  0,
  11,
  0,
  0,
  4,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  4,
  10,
  0,
  0,
  0,
  11,
  4,
  0,
  0,
  6,
  0,
  0,
  0,
  0,
  0,
  0,
  4,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  10,
  0,
  4,
  4,
  0,
  10,
  0,
  0,
  0,
  10,
  10,
  0,
  0,
  4,
  0,
  0,
  0,
  0,
  0,
  0,
  1,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  0,
  10,
  10,
  4,
  0,
  0,
  0,
  0
]);

// src/core/page/scan/skim.ts
var BANG2 = 33;
var DASH2 = 45;
var SLASH2 = 47;
var LESS = 60;
var GREATER3 = 62;
var QUESTION = 63;
var isLetter = (unit) => unit >= 97 && unit <= 122 || unit >= 65 && unit <= 90;
var MAY_TELL = new Uint8Array(1 << 10);
for (const [tag, name] of NAMES.entries()) {
  if ((PROPS[tag] & IS_TELLING) === 0) continue;
  const first = (name.charCodeAt(0) & 31) << 5;
  if (name.length === 1) for (const after of "	\n\f\r />") MAY_TELL[first | after.charCodeAt(0) & 31] = 1;
  else MAY_TELL[first | name.charCodeAt(1) & 31] = 1;
}
function nextTelling(text, from, limit) {
  let less = text.indexOf("<", from);
  while (less >= 0 && less < limit) {
    let index = less + 1;
    let unit = text.charCodeAt(index);
    if (unit === SLASH2) {
      unit = text.charCodeAt(++index);
      if (!isLetter(unit)) return less;
    } else if (isLetter(unit)) {
      if (MAY_TELL[(unit & 31) << 5 | text.charCodeAt(index + 1) & 31] !== 0) return less;
    } else if (unit === BANG2 || unit === QUESTION) return less;
    else {
      less = text.indexOf("<", index);
      continue;
    }
    const end = endOfAnyTag(text, index);
    if (end < 0) return ~less;
    less = text.charCodeAt(end) === LESS ? end : text.indexOf("<", end);
  }
  return less < 0 ? text.length : less;
}
function endOfAnyTag(text, index) {
  let at = index + 1;
  for (; ; ) {
    const unit = text.charCodeAt(at);
    if (unit > SLASH2) {
      if (unit === GREATER3) return at + 1;
    } else if (unit === SLASH2 || isSpace(unit)) return endOfTag(text, at);
    else if (at >= text.length) return -1;
    at++;
  }
}
function endOfCommentAt(text, less) {
  const isComment = text.charCodeAt(less + 2) === DASH2 && text.charCodeAt(less + 3) === DASH2;
  if (isComment && text.charCodeAt(less + 1) === BANG2) return endOfComment(text, less + 4);
  return text.indexOf(">", less + 2) + 1 || -1;
}

// bench/facts-corpora.ts
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
var demo = fileURLToPath(new URL("../demo/site", import.meta.url));
function htmlFiles(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return htmlFiles(path);
    return name.endsWith(".html") ? [path] : [];
  });
}
var WORDS = "the lamp asks for a new switch and sometimes for another plug when its cord has been pulled too often by hand";
var words = WORDS.split(" ");
var sentence = (seed, length) => Array.from({ length }, (_, index) => words[(seed * 7 + index * 5 + index * seed % 11) % words.length]).join(" ");
var head = (index) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Part ${index} | Handbook</title>
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="description" content="${sentence(index, 20)}">
<meta property="og:title" content="Part ${index}"><meta property="og:image" content="https://brasswick.example/p/${index}.png">
<meta name="twitter:card" content="summary_large_image"><link rel="canonical" href="https://brasswick.example/part/${index}">
<link rel="icon" href="/icon.svg" type="image/svg+xml"><link rel="stylesheet" href="/site.css">
<script type="application/ld+json">{"@context":"https://schema.org","@type":"Article","headline":"Part ${index}"}</script>
</head>`;
function docsPage(index, size) {
  const aside = Array.from(
    { length: 150 },
    (_, item) => `<li class="nav-item level-${item % 3}"><a href="/part/${item}" class="nav-link${item === index ? " is-here" : ""}"><span>${sentence(item, 3)}</span></a></li>`
  ).join("\n");
  const parts = [];
  let length = 0;
  for (let part = 0; length < size - aside.length; part++) {
    const piece = `<h2 id="s${part}">${sentence(part, 4)}<a class="anchor" href="#s${part}" aria-label="Link">#</a></h2>
<p>${sentence(part, 40)} <a href="/part/${part}">${sentence(part, 3)}</a> ${sentence(part + 1, 25)} <code>${sentence(part, 1)}</code>.</p>
<pre class="code"><code>${Array.from({ length: 8 }, (_, line) => `<span class="line"><span class="k">const</span> <span class="v">a${line}</span> = <span class="n">${line}</span>;</span>`).join("\n")}</code></pre>
<table><thead><tr><th>Name<th>Use</thead><tbody>${Array.from({ length: 4 }, (_, row) => `<tr><td><code>${words[row]}</code></td><td>${sentence(row, 9)}</td></tr>`).join("")}</tbody></table>`;
    parts.push(piece);
    length += piece.length;
  }
  return `${head(index)}<body><header><a href="/">Home</a></header><nav><ul>${aside}</ul></nav><main><h1>Part ${index}</h1>
${parts.join("\n")}</main><footer><p>${sentence(index, 12)}</p></footer></body></html>`;
}
function scriptPage(index) {
  const data = JSON.stringify(
    Array.from({ length: 500 }, (_, row) => ({ id: row, text: sentence(row, 12), html: "<b>x</b>" }))
  );
  const style = `<style>${Array.from({ length: 200 }, (_, row) => `.c${row}>a{color:#${100 + row}}`).join("")}</style>`;
  return `${head(index).replace("</head>", `${style}</head>`)}<body><div id="app"><main><h1>Part ${index}</h1><p>${sentence(index, 30)}</p>
<img src="/p/${index}.png" width="1200" height="630" alt=""></main></div><script>self.data=${data.replaceAll("</", "<\\/")}</script><script src="/app.js" type="module"></script></body></html>`;
}
var flat = (text) => Buffer.from(text, "utf8").toString("utf8");
function corpora() {
  const demoPages = htmlFiles(demo).map((file) => readFileSync(file, "utf8"));
  return [
    { name: "the demo, 20 times", pages: Array.from({ length: 20 }, () => demoPages).flat() },
    {
      name: "documentation, 100 KB pages",
      pages: Array.from({ length: 60 }, (_, index) => flat(docsPage(index, 1e5)))
    },
    { name: "pages that are mostly script", pages: Array.from({ length: 60 }, (_, index) => flat(scriptPage(index))) }
  ];
}

// ../../tmp/v.ts
var { pages } = corpora()[1];
var SLASH3 = 47;
var GREATER4 = 62;
var LESS2 = 60;
var BANG3 = 33;
var QUESTION2 = 63;
var SPACE2 = 32;
var EQUALS2 = 61;
var DOUBLE = 34;
function v1(text, from, limit) {
  let less = text.indexOf("<", from);
  while (less >= 0 && less < limit) {
    let at = less + 2;
    let unit = text.charCodeAt(less + 1);
    if (unit === SLASH3) {
      unit = text.charCodeAt(at++);
      if ((unit | 32) - 97 >>> 0 >= 26) return less;
    } else if ((unit | 32) - 97 >>> 0 < 26) {
      if (MAY_TELL[(unit & 31) << 5 | text.charCodeAt(at) & 31] !== 0) return less;
    } else if (unit === BANG3 || unit === QUESTION2) return less;
    else {
      less = text.indexOf("<", less + 1);
      continue;
    }
    for (; ; ) {
      unit = text.charCodeAt(at);
      if (unit > GREATER4) at++;
      else if (unit === GREATER4) {
        at++;
        break;
      } else if (unit === SPACE2 || unit === SLASH3 || isSpace(unit)) {
        at = endOfTag(text, at);
        if (at < 0) return ~less;
        break;
      } else if (at >= text.length) return ~less;
      else at++;
    }
    less = text.charCodeAt(at) === LESS2 ? at : text.indexOf("<", at);
  }
  return less < 0 ? text.length : less;
}
function v2(text, from, limit) {
  let less = text.indexOf("<", from);
  while (less >= 0 && less < limit) {
    let at = less + 2;
    let unit = text.charCodeAt(less + 1);
    if (unit === SLASH3) {
      unit = text.charCodeAt(at++);
      if ((unit | 32) - 97 >>> 0 >= 26) return less;
    } else if ((unit | 32) - 97 >>> 0 < 26) {
      if (MAY_TELL[(unit & 31) << 5 | text.charCodeAt(at) & 31] !== 0) return less;
    } else if (unit === BANG3 || unit === QUESTION2) return less;
    else {
      less = text.indexOf("<", less + 1);
      continue;
    }
    for (; ; ) {
      unit = text.charCodeAt(at++);
      if (unit > GREATER4) continue;
      if (unit === GREATER4) break;
      if (unit === SPACE2) {
        let ok = false;
        let i = at;
        for (; ; ) {
          while ((unit = text.charCodeAt(i)) > GREATER4 || unit === 45) i++;
          if (unit !== EQUALS2 || i === at || text.charCodeAt(i + 1) !== DOUBLE) break;
          i = text.indexOf('"', i + 2) + 1;
          if (i === 0) return ~less;
          unit = text.charCodeAt(i++);
          if (unit === GREATER4) {
            ok = true;
            break;
          }
          if (unit !== SPACE2) break;
          at = i;
        }
        if (ok) {
          at = i;
          break;
        }
        at = endOfTag(text, at - 1);
        if (at < 0) return ~less;
        break;
      }
      if (unit === SLASH3 || isSpace(unit)) {
        at = endOfTag(text, at - 1);
        if (at < 0) return ~less;
        break;
      } else if (at > text.length) return ~less;
    }
    less = text.charCodeAt(at) === LESS2 ? at : text.indexOf("<", at);
  }
  return less < 0 ? text.length : less;
}
var mk = (nt) => () => {
  let c = 0;
  for (const t of pages) {
    let at = nt(t, 0, t.length);
    while (at >= 0 && at < t.length) {
      c++;
      at = isLetter(t.charCodeAt(at + 1)) ? endOfAnyTag(t, at + 1) : endOfCommentAt(t, at);
      if (at < 0) break;
      at = nt(t, at, t.length);
    }
  }
  return c;
};
var floor = () => {
  let c = 0;
  for (const t of pages) for (let at = t.indexOf("<"); at >= 0; at = t.indexOf("<", at + 1)) c++;
  return c;
};
var s0 = mk(nextTelling);
var s1 = mk(v1);
var s2 = mk(v2);
var fs = [floor, s0, s1, s2];
var mins = fs.map(() => 1e9);
for (let k = 0; k < 60; k++) fs.forEach((f, i) => {
  const t = performance.now();
  f();
  mins[i] = Math.min(mins[i], performance.now() - t);
});
console.log(mins.map((m) => `${m.toFixed(2)} ${(m / mins[0]).toFixed(2)}x`).join(" | "));
