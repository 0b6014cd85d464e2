// English texts about articles that come from elsewhere.
export default {
  article: {
    title: 'Text from elsewhere',
    byAddress: 'Address of the page with the text',
    readIt: 'Read it',
    reading: 'The page is being read…',
    finding: {
      private: 'This address lies in a network of its own, so it was not asked. Paste the text.',
      away: 'No page answers at this address. Check it in a new tab, or paste the text.',
      tooLong: 'Finding the text of this page takes too long. Paste it instead.',
      noText: 'There is no text to be found on this page. Paste it instead.',
    },
    orPaste: 'Or paste it here',
    pasteHelp:
      'From a word processor or a page of the web; headings, lists, tables, links and pictures come along.',
    found: 'Nothing was found. | One piece. | {n} pieces, each a block of its own.',
    lost: 'No picture was lost. | One picture lies where nobody else gets to it. Put it in by itself. | {n} pictures lie where nobody else gets to them. Put them in by themselves.',
    cut: 'It is very long; only its beginning is taken.',
    outline: 'What comes onto the page',
    other: 'Take another',
    heading: 'Heading',
    text: 'Paragraph',
    list: 'List',
    table: 'Table',
    picture: 'Picture',
    source: 'Where it is from',
    sourceHelp: 'It stands under the text, for your readers.',
    from: 'From:',
    field: {
      title: 'Title',
      maker: 'Written by',
      site: 'Published by',
      licence: 'Licence',
      address: 'Address',
    },
  },
}
