// What is shown of a web address.

const urlOf = (address: string) =>
  URL.canParse(address, location.href) ? new URL(address, location.href) : null

/** The name of the host, without the usual `www.`; '' for a page of this server, whose name says nothing. */
export const hostOf = (address: string) =>
  isSameOrigin(address) ? '' : (urlOf(address)?.host.replace(/^www\./, '') ?? address)

export const isSameOrigin = (address: string) => urlOf(address)?.origin === location.origin
