const FILE_NAME =
  /\.(?:pdf|zip|gz|tgz|tar|7z|rar|dmg|exe|jpe?g|png|gif|webp|avif|svg|ico|bmp|tiff?|mp[34]|m4[av]|mov|webm|ogg|wav|css|m?js|json|xml|txt|csv|ics|woff2?|ttf|otf|docx?|xlsx?|pptx?|epub)$/i

/** A path that is never a page's: not worth a request, and no page that is missing. */
export const isFileName = (path: string): boolean => FILE_NAME.test(path)
