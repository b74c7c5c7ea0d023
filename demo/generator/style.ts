/** The demo site's own style sheet. */
export const styleSheet = `:root { color-scheme: light; }
* { box-sizing: border-box; }
body { margin: 0; font: 17px/1.6 Georgia, serif; color: #2a2620; background: #fbf7ee; }
a { color: #173f45; }
.top { display: flex; flex-wrap: wrap; gap: 8px 28px; align-items: baseline; padding: 18px max(24px, 50vw - 460px); background: #173f45; }
.top a { color: #eaf6f3; text-decoration: none; }
.mark { font-weight: bold; font-size: 21px; }
nav { display: flex; flex-wrap: wrap; gap: 6px 18px; font-size: 15px; }
main { max-width: 920px; margin: 0 auto; padding: 28px 24px 60px; }
h1 { font-size: 40px; line-height: 1.15; margin: 12px 0; }
img { max-width: 100%; height: auto; border-radius: 6px; }
dl { display: grid; grid-template-columns: max-content 1fr; gap: 4px 18px; }
dd { margin: 0; }
.cards { list-style: none; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(260px, 1fr)); gap: 14px; }
.cards a { display: block; padding: 14px 16px; background: #fff; border: 1px solid #e6ddcc; border-radius: 6px; text-decoration: none; height: 100%; }
.cards span { display: block; color: #6b6252; font-size: 15px; }
footer { max-width: 920px; margin: 0 auto; padding: 20px 24px 50px; border-top: 1px solid #e6ddcc; font-size: 15px; color: #6b6252; }
`
