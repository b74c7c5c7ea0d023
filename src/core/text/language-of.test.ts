import { describe, expect, test } from 'vitest'
import { languageOf } from './language-of'

describe('languageOf', () => {
  test.each([
    ['en', 'How to mend a lamp with the parts that you have in your kitchen.'],
    ['de', 'Wie man eine Lampe mit dem repariert, was in der Küche liegt, und nicht mehr.'],
    ['fr', 'Comment réparer une lampe avec ce que vous avez dans la cuisine.'],
    ['es', 'Cómo reparar una lámpara con lo que hay en la cocina, para que no se rompa más.'],
    ['it', 'Come riparare una lampada con quello che c’è in cucina, e non è difficile per chi prova.'],
    ['pt', 'Como consertar uma lâmpada com o que há na cozinha, e não é difícil para quem tenta.'],
    ['nl', 'Hoe je een lamp maakt met wat er in de keuken ligt en niet meer.'],
    ['ja', '気圧計の使い方と、直し方。'],
    ['ko', '램프를 고치는 방법'],
    ['zh', '怎样修理一盏灯'],
    ['ru', 'Как починить лампу'],
    ['uk', 'Як полагодити її лампу і годинник'],
    ['ar', 'كيف تصلح المصباح'],
    ['el', 'Πώς να επισκευάσετε τη λάμπα'],
  ])('%s: %s', (language, text) => expect(languageOf(text)).toBe(language))

  test.each(['', '12 345', 'Kestrel Works', 'API', 'no la', 'Brasswick 東京'])('cannot tell “%s”', (text) =>
    expect(languageOf(text)).toBeNull(),
  )

  test('a name in another script does not change the language of a text', () => {
    expect(languageOf('The shop 修 is open for you and your friends, with the lamps that you have.')).toBe('en')
  })
})
