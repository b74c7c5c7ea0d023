/** Places that put the text before a large picture, and a small one at its right. */
export const isTextFirst = (surface: string): boolean => surface === 'team-chat' || surface === 'community-chat'
