/** A limit and why it stands where it stands. All of them are here, so that what may be sent and kept is read in one place. */
type Limit = { readonly most: number; readonly why: string };

const KB = 1024;
const MB = 1024 * KB;
const GB = 1024 * MB;

export const LIMITS = {
  // What is sent
  doorBytes: { most: 16 * KB, why: "signing in, signing up and the look are a few short fields, from anybody" },
  formBytes: { most: 2 * MB, why: "the longest change there is: a book's leaves laid out anew" },
  formFields: { most: 200, why: "the largest form, the book's measures, has some thirty" },
  fieldNameLetters: { most: 64, why: "our own names are short" },
  unaskedBytes: { most: 64 * KB, why: "more than this is read only once the sender's session is known" },
  pictureBytes: { most: 40 * MB, why: "a camera's largest JPEG is some 30 MB" },
  deckBytes: { most: MB, why: "two thousand slips of five hundred letters" },
  calendarBytes: { most: 10 * MB, why: "fifteen thousand events with their descriptions" },
  drawerListBytes: { most: 4 * MB, why: "ten thousand lines with a note on each" },
  drawerFileBytes: { most: 256 * MB, why: "some sixty things with a picture of each as a phone takes it" },
  libraryBytes: { most: MB, why: "a template of four hundred pieces is a tenth of it" },
  partBytes: {
    most: 4 * MB,
    why: "an archive comes in by parts of this size, so that a broken-off one goes on where it stopped",
  },
  archiveBytes: { most: 64 * GB, why: "far over any album; the household's quota decides before" },
  bodySilenceMs: { most: 30_000, why: "a body that stops coming for so long does not come any more" },
  formMs: { most: 30_000, why: "a form of 2 MB takes so long over a very slow line" },
  uploadsOfHousehold: { most: 6, why: "the roll sends four at a time, a phone one more" },
  picturesInMemoryBytes: {
    most: 80 * MB,
    why: "two pictures of the largest size: each goes to the thread that reads it, and is there once",
  },
  householdBytes: { most: 20_000_000_000, why: "some ten months of camera pictures; HEARTH_QUOTA_GB sets another" },
  planTableBytes: { most: 4 * MB, why: "a plan of two months with a page of words on each day is a tenth of it" },
  planRows: { most: 2000, why: "of a table that is read as a plan: thirty times the longest album" },
  // Tries
  wrongTries: { most: 8, why: "a passphrase is mistyped a few times, not more" },
  wrongTriesOfAccount: { most: 60, why: "from new devices in an hour, whatever their addresses" },
  triesOfAddress: { most: 40, why: "in a quarter of an hour from one address: a family behind one" },
  triesOfUnknownAddress: {
    most: 400,
    why: "in a minute where no address is known, so that checking passphrases never fills the machine",
  },
  signUpsOfAddress: { most: 20, why: "in an hour from one address" },
  signUpsOfUnknownAddress: { most: 300, why: "in ten minutes where no address is known" },
  // What a day, a book, a household may hold
  piecesOfDay: {
    most: 500,
    why: "of one kind on one day; no page shows so many, and each costs every reading of the album",
  },
  leaves: { most: 400, why: "a month of 62 days at six leaves a day; no ring takes more" },
  things: { most: 5000, why: "a craft room counted to the last sticker sheet; a list longer is a shop's" },
  known: { most: 2000, why: "sixty events on every day of a month: more than that is not known of anybody" },
  matters: { most: 40, why: "a title, a note, calendars, a page a week before, a section a week, a closing page" },
  guests: { most: 62, why: "of one side: every day of the longest album on one page" },
  tryOuts: { most: 1600, why: "two for each side of the thickest book" },
  ownLayouts: { most: 200, why: "each is read with every album of the household" },
  tallies: { most: 60, why: "kinds of things counted over one month; each is a line on the day" },
  tallyMarks: { most: 2000, why: "of one tally: sixty on every day of a month" },
  keptMakings: { most: 200, why: "all of them are read where a construction is made" },
  peopleNames: { most: 200, why: "a very large family" },
  // What an archive may hold
  albumJsonBytes: { most: 32 * MB, why: "a hundred times the largest album there is" },
  jsonDepth: { most: 40, why: "album.json goes fourteen deep" },
  jsonValues: { most: 1_500_000, why: "so many single values take a second to check; a full album has 30,000" },
  archiveDays: { most: 400, why: "the days of the span and what was ever set aside" },
  archivePieces: { most: 20_000, why: "pieces, cards, jottings, prints and inserts together" },
  archivePhotos: { most: 20_000, why: "more than a household takes in a year" },
  shares: { most: 40, why: "links to one album: each aunt, each friend, and some that are closed" },
  sharedOfAddress: { most: 1200, why: "pages and pictures of links in a minute from one address: a family that leafs" },
  sharedOfUnknownAddress: {
    most: 60_000,
    why: "in a minute where no address is known: a thousand a second is no family",
  },
  guessesOfAddress: { most: 30, why: "addresses of links that lead nowhere, in a quarter of an hour from one address" },
  guessesOfUnknownAddress: { most: 600, why: "in a minute where no address is known" },
  // Who comes in
  members: { most: 30, why: "those who write in one household or look: a large family and its friends" },
  invitations: { most: 20, why: "that are open at once: a round of aunts" },
  // Texts
  ownWords: { most: 2000, why: "of a picture's own description: what is longer is a program's doing, not a person's" },
  printedOn: { most: 20, why: "things printed on one picture; more hide it" },
  slipKey: { most: 600, why: "of a slip in the words that is left alone: its kind and the words it is about" },
  leftAlone: { most: 200, why: "slips on one day; nobody has made so many" },
  endMarks: { most: 1000, why: "loose ends left or kept for an evening: a month leaves some dozens" },
  endIds: { most: 2000, why: "what one loose end is about: every picture of a large album" },
  lettersLookedThrough: { most: 20_000, why: "of one text; the largest card holds some three thousand" },
  phraseSteps: { most: 3_000_000, why: "in looking for phrases that come twice: a full album takes a tenth" },
  lengthLetters: { most: 64, why: "the longest way to write a length has some twenty letters" },
} as const satisfies Record<string, Limit>;
