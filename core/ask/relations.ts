/** Words that set what is said in relation: where water comes from, where it goes, what stands beside what. */

/** 'to': what follows is reached. 'from': water comes from it. 'goal': it is fed. 'beside', 'by': it is set beside what came before. 'stop': a new thought. */
export type Relation = 'to' | 'from' | 'goal' | 'beside' | 'by' | 'stop';

// biome-ignore format: a table
const ROWS: [relation: Relation, words: string][] = [
  ['to', 'to|into|onto|in to|on to|over to|up to|->|=>|→|⇒|>'],
  ['from', "from|off|off of|out of|fed from|fed by|fed off|supplied from|supplied by|coming from|comes from|coming out of|coming off|over from|have|i have|has|had|got|ive got|i've got|only have|only got|there is|there's|theres|there are|water is|water comes from|using|on|at|through|via|rough in|rough-in|roughed in"],
  ['goal', 'for|feed|feeds|feeding|to feed|to supply|supplying|to serve|goes to|going to|wants|want|put in|putting in|put|hook up|hooking up|hooking|hook|hookup|set up|installing|install|adding|add|over'],
  ['beside', 'and|with|&|between|vs|versus|or|+|connects|joins|connect|join'],
  ['by', 'x|by|×'],
  ['stop', ',|;|:|.|?|!|then|is|are|came off|goes'],
];

const BY_WORDS: ReadonlyMap<string, Relation> = new Map(ROWS.flatMap(([relation, words]) => words.split('|').map((w) => [w, relation] as const)));
const MOST_WORDS = Math.max(...[...BY_WORDS.keys()].map((w) => w.split(' ').length));

/** The relation that begins at a word, the longest first, and how many words it takes. */
export function relationAt(words: readonly string[], at: number): { relation: Relation; count: number } | null {
  for (let count = Math.min(MOST_WORDS, words.length - at); count > 0; count--) {
    const relation = BY_WORDS.get(words.slice(at, at + count).join(' '));
    if (relation) return { relation, count };
  }
  return null;
}
