/** Colours of a picture: wall, table, and three for the thing on it. */
export type Palette = { wall: string; table: string; main: string; second: string; light: string }

export const palettes = {
  amber: { wall: '#e9c27e', table: '#b98246', main: '#7c3220', second: '#c9542f', light: '#fbe7bd' },
  sage: { wall: '#c3d2b4', table: '#8a9a72', main: '#3b5230', second: '#d9a03c', light: '#f3f5e6' },
  dusk: { wall: '#5d7397', table: '#38486b', main: '#1d2840', second: '#e8a94f', light: '#dce6f6' },
  brick: { wall: '#d7a892', table: '#96604b', main: '#5a2f25', second: '#31606b', light: '#f6e3d8' },
  teal: { wall: '#9cc4bf', table: '#5c8c87', main: '#173f45', second: '#e07a4b', light: '#eaf6f3' },
  plum: { wall: '#c7aecb', table: '#836a8a', main: '#432a4d', second: '#d8b24c', light: '#f5ecf6' },
  linen: { wall: '#e6ddcc', table: '#bda988', main: '#4a4238', second: '#2f7f6d', light: '#fbf7ee' },
} satisfies Record<string, Palette>

export type PaletteName = keyof typeof palettes

type Draw = (p: Palette) => string

const spokes = (count: number, inner: number, outer: number, colour: string) =>
  Array.from({ length: count }, (_, index) => {
    const angle = (index / count) * 2 * Math.PI
    const [x, y] = [Math.cos(angle), Math.sin(angle)]
    return `<path d="M${x * inner} ${y * inner}L${x * outer} ${y * outer}" stroke="${colour}" stroke-width="3"/>`
  }).join('')

/** Things of the hall, each drawn about the origin within ±180 units, standing on y = 150. */
export const motifs = {
  lamp: (p) =>
    `<circle cy="-20" r="170" fill="${p.light}" opacity=".35"/><path d="M-60-130H60L110 10H-110Z" fill="${p.main}"/><path d="M-40-118H0L-8 0H-86Z" fill="#fff" opacity=".16"/><rect x="-16" y="10" width="32" height="100" fill="${p.main}"/><path d="M-70 110H70L86 150H-86Z" fill="${p.second}"/>`,
  clock: (p) =>
    `<path d="M-120 150V-40A120 120 0 0 1 120-40V150Z" fill="${p.main}"/><circle cy="-30" r="92" fill="${p.light}"/><circle cy="-30" r="92" fill="none" stroke="${p.second}" stroke-width="10"/>${Array.from({ length: 12 }, (_, h) => `<rect x="-3" y="-116" width="6" height="16" fill="${p.main}" transform="rotate(${h * 30} 0 -30)"/>`).join('')}<path d="M0-30V-90M0-30L42 4" stroke="${p.main}" stroke-width="9" stroke-linecap="round"/><rect x="-70" y="90" width="140" height="36" rx="8" fill="${p.second}"/>`,
  chisel: (p) =>
    `<g transform="rotate(-28)"><rect x="-170" y="-16" width="150" height="34" rx="15" fill="${p.second}"/><rect x="-26" y="-20" width="22" height="42" fill="${p.main}"/><path d="M-4-13H150L172 13H-4Z" fill="${p.light}"/><path d="M-4-13H150L156-6H-4Z" fill="#fff" opacity=".6"/></g><rect x="-120" y="110" width="240" height="40" rx="6" fill="${p.main}"/>`,
  hinge: (p) =>
    `<rect x="-150" y="-110" width="136" height="220" rx="8" fill="${p.second}"/><rect x="14" y="-110" width="136" height="220" rx="8" fill="${p.second}"/><rect x="-18" y="-126" width="36" height="252" rx="16" fill="${p.main}"/>${[-70, 0, 70].map((y) => `<circle cx="-90" cy="${y}" r="16" fill="${p.main}"/><circle cx="90" cy="${y}" r="16" fill="${p.main}"/>`).join('')}`,
  tent: (p) =>
    `<path d="M0-130L180 150H-180Z" fill="${p.second}"/><path d="M0-130L60 150H-60Z" fill="${p.main}"/><path d="M0-130L-180 150H-120Z" fill="#fff" opacity=".2"/><rect x="86" y="40" width="52" height="44" fill="${p.light}" transform="rotate(14 110 60)"/><path d="M90 44l44 10M92 62l44 10" stroke="${p.main}" stroke-width="4" stroke-dasharray="7 6"/>`,
  zip: (p) =>
    `<rect x="-150" y="-150" width="140" height="300" fill="${p.main}"/><rect x="10" y="-150" width="140" height="300" fill="${p.main}"/>${Array.from({ length: 14 }, (_, index) => `<rect x="${index % 2 ? -4 : -20}" y="${-146 + index * 21}" width="24" height="11" rx="4" fill="${p.light}"/>`).join('')}<path d="M-26-10H26L16 50H-16Z" fill="${p.second}"/><rect x="-11" y="44" width="22" height="70" rx="10" fill="${p.second}"/>`,
  chair: (p) =>
    `<path d="M-90-150h28V150h-28zM62-10h28V150H62z" fill="${p.main}"/><rect x="-100" y="-10" width="200" height="34" rx="8" fill="${p.second}"/><rect x="-84" y="-120" width="150" height="24" rx="6" fill="${p.main}"/><rect x="-84" y="-70" width="150" height="24" rx="6" fill="${p.main}"/><rect x="-70" y="80" width="140" height="14" fill="${p.main}"/>`,
  kettle: (p) =>
    `<path d="M-110 150C-130 10-80-70 0-70S130 10 110 150Z" fill="${p.second}"/><path d="M-70 110C-82 20-52-30-16-44" stroke="#fff" stroke-width="14" opacity=".4" fill="none"/><path d="M96 20C160 10 150-40 178-60" stroke="${p.second}" stroke-width="34" fill="none"/><path d="M-70-70C-60-170 60-170 70-70" stroke="${p.main}" stroke-width="20" fill="none"/><circle cy="-78" r="16" fill="${p.main}"/>`,
  wheel: (p) =>
    `<g transform="translate(0 -10)"><circle r="158" fill="none" stroke="${p.main}" stroke-width="24"/><circle r="142" fill="none" stroke="${p.light}" stroke-width="7"/>${spokes(18, 18, 142, p.light)}<circle r="24" fill="${p.second}"/></g>`,
  sock: (p) =>
    `<path d="M-70-150H50V20C50 60 130 60 150 100S120 150 60 150H-20C-60 150-70 110-70 70Z" fill="${p.second}"/><path d="M-70-150H50V-104H-70Z" fill="${p.main}"/><path d="M84 70q40 10 50 44" stroke="${p.light}" stroke-width="30"/><path d="M-70-40H50M-70-10H50" stroke="${p.light}" stroke-width="12"/>`,
  radio: (p) =>
    `<rect x="-170" y="-80" width="340" height="230" rx="24" fill="${p.main}"/><circle cx="-70" cy="36" r="76" fill="${p.second}"/><circle cx="-70" cy="36" r="52" fill="${p.main}" opacity=".5"/><rect x="36" y="-46" width="106" height="60" rx="8" fill="${p.light}"/><path d="M60-16h62" stroke="${p.second}" stroke-width="5"/><circle cx="60" cy="72" r="22" fill="${p.light}"/><circle cx="118" cy="72" r="22" fill="${p.light}"/><path d="M120-80L160-160" stroke="${p.light}" stroke-width="7"/>`,
  shears: (p) =>
    `<g transform="rotate(20)"><path d="M-10-10L20-172L44-160L22 10Z" fill="${p.light}"/><path d="M10-10L-40-170L-60-154L-22 14Z" fill="#fff" opacity=".8"/><circle r="14" fill="${p.main}"/><path d="M-6 8C-90 60-90 150-50 150M8 8C80 60 90 140 60 150" stroke="${p.second}" stroke-width="26" fill="none" stroke-linecap="round"/></g>`,
  drill: (p) =>
    `<rect x="-140" y="-100" width="230" height="92" rx="22" fill="${p.second}"/><path d="M-90-20H-20L-36 110H-96Z" fill="${p.main}"/><rect x="-124" y="100" width="110" height="50" rx="10" fill="${p.main}"/><path d="M90-84H128L142-54L128-24H90Z" fill="${p.main}"/><rect x="140" y="-59" width="44" height="10" fill="${p.light}"/><rect x="-110" y="-80" width="120" height="14" rx="7" fill="#fff" opacity=".4"/>`,
  sewing: (p) =>
    `<path d="M-170 150V100H170V150Z" fill="${p.second}"/><path d="M90 100V-60H-150V-120H150V100Z" fill="${p.main}"/><rect x="-140" y="-60" width="42" height="80" fill="${p.main}"/><path d="M-119 20V96" stroke="${p.light}" stroke-width="7"/><circle cx="168" cy="-60" r="34" fill="${p.second}"/><circle cx="0" cy="-140" r="15" fill="${p.second}"/><rect x="-150" y="88" width="140" height="12" fill="${p.light}"/>`,
  sander: (p) =>
    `<rect x="-150" y="70" width="300" height="60" rx="10" fill="${p.main}"/><rect x="-150" y="130" width="300" height="20" fill="${p.light}"/><path d="M-110 70C-110-70 110-70 110 70Z" fill="${p.second}"/><rect x="-50" y="-110" width="100" height="70" rx="30" fill="${p.main}"/>`,
  ladder: (p) =>
    `<path d="M-70 150L-20-170M70 150L20-170" stroke="${p.second}" stroke-width="22"/>${[-120, -70, -20, 30, 80, 124].map((y) => `<path d="M${-(y + 170) * 0.155 - 20} ${y}H${(y + 170) * 0.155 + 20}" stroke="${p.main}" stroke-width="15"/>`).join('')}<path d="M120 150L28-160" stroke="${p.main}" stroke-width="14"/>`,
  soldering: (p) =>
    `<rect x="-160" y="20" width="170" height="130" rx="12" fill="${p.main}"/><rect x="-136" y="46" width="80" height="40" fill="${p.light}"/><circle cx="-20" cy="66" r="20" fill="${p.second}"/><path d="M10 90C90 150 40 20 90-10" stroke="${p.main}" stroke-width="8" fill="none"/><g transform="rotate(-52 90 -10)"><rect x="80" y="-26" width="100" height="30" rx="12" fill="${p.second}"/><rect x="178" y="-18" width="50" height="14" fill="${p.light}"/></g>`,
  table: (p) =>
    `<rect x="-180" y="-60" width="360" height="28" rx="5" fill="${p.second}"/><path d="M-150-32L-90 150M150-32L90 150M-90-32L-150 150M90-32L150 150" stroke="${p.main}" stroke-width="14"/><path d="M-180-60C-120-120-40-60 20-100V-60Z" fill="${p.light}"/>`,
  hedge: (p) =>
    `<rect x="-170" y="-36" width="140" height="76" rx="22" fill="${p.second}"/><path d="M-150-36C-150-110-50-110-50-36" stroke="${p.main}" stroke-width="18" fill="none"/><rect x="-30" y="-14" width="210" height="28" fill="${p.light}"/>${Array.from({ length: 9 }, (_, index) => `<path d="M${-20 + index * 22}-14l11-24l6 24z" fill="${p.main}"/>`).join('')}`,
  wrench: (p) =>
    `<g transform="rotate(-35)"><rect x="-130" y="-18" width="250" height="36" rx="12" fill="${p.light}"/><circle cx="-140" r="46" fill="${p.main}"/><circle cx="-140" r="20" fill="${p.light}"/><rect x="60" y="-26" width="110" height="52" rx="20" fill="${p.second}"/></g>`,
  steam: (p) =>
    `<rect x="-110" y="0" width="220" height="130" rx="40" fill="${p.second}"/><circle cx="-60" cy="140" r="24" fill="${p.main}"/><circle cx="60" cy="140" r="24" fill="${p.main}"/><path d="M80 10C150-40 90-130 150-160" stroke="${p.main}" stroke-width="16" fill="none"/>${[-60, -10, 40].map((x) => `<path d="M${x}-20q20-30 0-60t0-60" stroke="${p.light}" stroke-width="14" fill="none" opacity=".8"/>`).join('')}`,
  lathe: (p) =>
    `<rect x="-180" y="50" width="360" height="34" fill="${p.main}"/><path d="M-150 84h34V150h-34zM116 84h34V150h-34z" fill="${p.main}"/><rect x="-170" y="-60" width="90" height="110" rx="8" fill="${p.light}"/><rect x="110" y="-30" width="56" height="80" rx="8" fill="${p.light}"/><path d="M-80-30H-40C-20-50 0 20 30-10S80-24 110-8V8C80 24 60 34 30 26S-20 54-40 36H-80Z" fill="${p.second}"/>`,
  mug: (p) =>
    `<path d="M-100-80H70V110C70 140 40 150 20 150H-50C-80 150-100 140-100 110Z" fill="${p.second}"/><path d="M70-40C160-50 150 90 70 80" stroke="${p.second}" stroke-width="24" fill="none"/><path d="M-20-80L-34-20L0 20L-24 80" stroke="${p.main}" stroke-width="5" fill="none"/>${[-60, -10].map((x) => `<path d="M${x}-100q14-22 0-44" stroke="${p.light}" stroke-width="9" fill="none"/>`).join('')}`,
  hall: (p) =>
    `<path d="M-180 150V-30L-60-110V-30L60-110V-30L180-110V150Z" fill="${p.main}"/>${[-130, -10, 110].map((x) => `<rect x="${x - 22}" y="10" width="60" height="60" fill="${p.second}"/><path d="M${x + 8} 10v60M${x - 22} 40h60" stroke="${p.main}" stroke-width="5"/>`).join('')}<rect x="-36" y="90" width="72" height="60" fill="${p.light}"/>`,
  portrait: (p) =>
    `<path d="M-150 170C-150 60-70 60 0 60S150 60 150 170Z" fill="${p.main}"/><rect x="-28" y="20" width="56" height="70" fill="#c98f6b"/><ellipse cy="-40" rx="78" ry="94" fill="#d9a27e"/><path d="M-82-40C-96-160 96-160 82-40C60-96-40-104-82-40Z" fill="${p.second}"/><path d="M-30 10q30 22 60 0" stroke="#8a4a34" stroke-width="6" fill="none"/><circle cx="-28" cy="-36" r="7" fill="#33241c"/><circle cx="28" cy="-36" r="7" fill="#33241c"/>`,
} satisfies Record<string, Draw>

export type MotifName = keyof typeof motifs
