import { useId, useState } from 'react';
import { endName, type OwnWords, type QuestionRead, readQuestion } from '../../../core/index.ts';
import { say, saying } from '../../ui/book/index.ts';

interface Props {
  text: string;
  read: QuestionRead;
  words: OwnWords;
  shopId: string;
}

/** The sentence as it was typed, with what was not used struck out; a struck word can be told, and is the shop's own from then on. */
export function Sentence({ text, read, words, shopId }: Props) {
  const [asked, setAsked] = useState<string | null>(null);
  const own = Object.entries(words).filter(([word]) => text.toLowerCase().includes(word));
  // What is not ours is no word to be told otherwise.
  if (read.kind === 'not-ours' || (!read.spans.some((s) => s.as === 'unknown') && own.length === 0)) return null;
  return (
    <div className="lg:col-span-2 print:hidden">
      <p role="status" className="text-lg">
        {read.spans.map(({ at, length, as }, i) => {
          const word = text.slice(at, at + length);
          const before = text.slice(i === 0 ? 0 : read.spans[i - 1]!.at + read.spans[i - 1]!.length, at);
          return (
            <span key={at}>
              {before}
              {as === 'unknown' ? (
                <button
                  type="button"
                  className="cursor-pointer px-1 underline decoration-dotted"
                  aria-label={`${word}, not used: say what it is`}
                  onClick={() => setAsked(word)}
                >
                  <s>{word}</s>
                </button>
              ) : (
                word
              )}
            </span>
          );
        })}
      </p>
      {read.spans.some((s) => s.as === 'unknown') && asked === null && (
        <p className="text-soft">Not used: what is struck out. Press it to say what it is.</p>
      )}
      {asked !== null && (
        <Teach
          key={asked}
          word={asked}
          onKeep={(means) => {
            say([saying('shop', shopId, 'word-told', { word: asked.toLowerCase(), means })], `"${asked}" means ${means}`);
            setAsked(null);
          }}
          onLeave={() => setAsked(null)}
        />
      )}
      {own.map(([word, means]) => (
        <p key={word} className="flex flex-wrap items-center gap-x-3">
          <span>
            Your word: <b>{word}</b> means {means}.
          </span>
          <button
            type="button"
            className="key"
            onClick={() => {
              say([saying('shop', shopId, 'word-told', { word, means: null })], `"${word}" is forgotten`);
            }}
          >
            Forget it
          </button>
        </p>
      ))}
    </div>
  );
}

/** What a word means, in words that are read; told as it is typed. */
function Teach({ word, onKeep, onLeave }: { word: string; onKeep: (means: string) => void; onLeave: () => void }) {
  const id = useId();
  const [means, setMeans] = useState('');
  const { from, to, unread } = readQuestion(means);
  const best = to[0] ?? from[0];
  const isRead = means.trim() !== '' && unread.length === 0;
  return (
    <form
      className="mt-1 grid max-w-140 gap-2 border border-ink bg-sheet p-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (isRead) onKeep(means.trim());
      }}
    >
      <label htmlFor={id} className="label">
        "{word}" means
      </label>
      <input
        id={id}
        className="field"
        // biome-ignore lint/a11y/noAutofocus: it was asked for by a press
        autoFocus
        maxLength={120}
        placeholder="3/8 comp nut, dishwasher, angle stop ..."
        value={means}
        onChange={(e) => setMeans(e.target.value)}
      />
      <p className="text-soft" role="status">
        {means.trim() === ''
          ? 'Any words of the trade.'
          : !isRead
            ? `Not read: ${unread.join(' ')}.`
            : best
              ? `Read as: ${best.appliance?.replaceAll('-', ' ') ?? endName(best.end)}.`
              : 'Read as what a question is dressed in.'}
      </p>
      <div className="flex gap-3">
        <button type="submit" className="key key-main" disabled={!isRead}>
          Keep it for this shop
        </button>
        <button type="button" className="key" onClick={onLeave}>
          Cancel
        </button>
      </div>
    </form>
  );
}
