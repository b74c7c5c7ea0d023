import type { Surface } from '../profile'
import { communityChat } from './community-chat'
import { feedReply } from './feed-reply'
import { microblog } from './microblog'
import { phoneChat } from './phone-chat'
import { pictureBoard } from './picture-board'
import { search } from './search'
import { tab } from './tab'
import { teamChat } from './team-chat'
import { wideFeed } from './wide-feed'
import { workFeed } from './work-feed'

/** Every surface, in the order in which it is shown and numbered. A new one is one file and one line here. */
export const surfaces: readonly Surface[] = [
  wideFeed,
  feedReply,
  microblog,
  workFeed,
  pictureBoard,
  teamChat,
  communityChat,
  phoneChat,
  search,
  tab,
]

export function surfaceOf(id: string): Surface | undefined {
  return surfaces.find((surface) => surface.id === id)
}
