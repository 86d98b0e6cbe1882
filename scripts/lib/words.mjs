/**
 * Words that no text on a screen, in a file or in a report may hold, with what is said instead and why. Only texts of
 * several words are looked at: ids and kinds have words of their own.
 */
export const banned = [
  ['in the book', 'say "on record" or "not entered": there is no book on the screen'],
  ['[Hh]ouse rules', 'say "limits" or "policy": nobody calls them house rules on a roof'],
  ['[Tt]he bench\\b|[Ss]peed bench', 'say "calculators" or "speed change": a bench is where parts are mended'],
  ['[Ss]ister (fan|wheel)', 'say "twin fan"'],
  ['drawn upon|more goes than comes|the place is pressed', 'say negative or positive pressure'],
  ['[Tt]ake a stop|[Tt]his stop|last stop\\b', 'say "visit" or "take readings": Stop is a level and nothing else'],
  ['(^|[^\\w-])[Mm]end(s|ed|ing)?\\b(?!-)', 'say repair or correct'],
  ['[Bb]ring in$|[Tt]ake out\\b|let go of', 'say import, export, remove'],
  ['on the way home|not home|at home\\b|go home', 'say sync, server: a reading has no home'],
  ['19 times in 20|half of them last', 'say 95 % range, median'],
  ['[Nn]ew epoch', 'say baseline'],
  [
    'colour|(?<![-"])organisation|energised|(?<!\')\\bcentres?\\b(?! must)|\\bmetres?\\b(?! must)|neighbour|polaris|\\bgrey\\b|per cent\\b',
    'American spelling',
  ],
]

const several = '(?=.*[^ ] [^ ])'
const pattern = (words) => `/^[\\s\\S]*${several}[\\s\\S]*(${words})/`

/** ESLint selectors with their messages. */
export const bannedSyntax = banned.flatMap(([words, message]) =>
  [
    `:not(ImportDeclaration, ExportNamedDeclaration, ImportExpression) > Literal[value=${pattern(words)}]`,
    `TemplateElement[value.raw=/${words}/]`,
    `JSXText[value=/${words}/]`,
  ].map((selector) => ({ selector, message })),
)
