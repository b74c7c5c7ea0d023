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

/**
 * The places that we ship, in the order in which they are shown and numbered. A new one is one file and one line here.
 * A site may have others: what shows or judges cards is given a set of places (see places.ts) and never reads this list.
 */
export const builtInSurfaces: readonly Surface[] = [
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
