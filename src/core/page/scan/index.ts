/**
 * How a page is read in one pass, and who reads when. No tree is built: what would stand in it is known from the stack
 * of open elements alone, and where even that decides nothing the stack stands still.
 *
 * **Three readers take turns over one text.** An index goes from the first character to the last; `^` is where it is.
 *
 *     <!doctype html><html lang=en><head><title>Lamp</title><meta name=a>
 *     ^ scanner.ts: reads each tag by the states of 13.2.5 and hands it to tree.ts, which places it by the
 *       insertion modes of 13.2.6 (modes.ts, in-head.ts, in-body.ts, in-table.ts, in-foreign.ts) and tells facts.ts
 *       what became of it. Attributes are read once, by attributes.ts, when somebody asks for them.
 *
 *     …</head><body><nav><ul><li><a href=/x>X</a></ul></nav><h1>
 *                   ^ a piece begins: <nav>, <header>, <footer>, <aside> hold hundreds of tags of which only links
 *                     tell anything. skimmer.ts goes over it with well-nested-span.ts, which holds only as long as
 *                     each element is closed by its own end tag, in order.
 *                                             ^ </nav> closes the piece: the stack is what it was before it.
 *                     <p> in a <p>, </b> before </i>, <table>: undecided. The index goes back to the start of the
 *                     piece, and the tree reads all of it.
 *
 *     <h1>Lamp</h1><p>Unplug it.<div class=x><span>…</span><img src=y>
 *                               ^ title, h1 and first paragraph are settled: the rest of the body can only add
 *                                 links, pictures, and tags that belong in a head. skim.ts jumps from one tag that
 *                                 may tell something to the next; the stack stands still from here.
 *     …<svg><title>…</title></svg><select><option>…
 *      ^ endOfDrawing: no facts in there.  ^ endOfChoices: nor there.
 *     …<template>, <frameset>, </body> and the like: something hangs on the tree after all. What was skimmed is kept
 *      (SKIMMED_CHARACTERS), and the tree reads it from where it stood.
 *
 * **In pieces.** A page comes as its bytes do. Nothing is begun within the last HELD_BACK characters of a piece, and
 * what has no end yet is begun again with the next one:
 *
 *     … <meta property="og:ti|tle" content="…">
 *       ^ here the next scan begins, once there is more text.
 *
 * **What holds it true.** scanner.corpus.test.ts reads odd pages as another parser's tree has them;
 * scanner.random.test.ts holds the three readers against the tree alone, on generated pages in generated pieces;
 * e2e/reading.spec.ts holds them against a browser.
 */
export { PageScanner } from './scanner'
