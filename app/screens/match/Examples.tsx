import { useUnits } from '../../ui/units/index.ts';

/** Questions as they are asked at a counter. */
const EXAMPLES = [
  '1/2 copper to toilet, 20 in',
  '3/8 comp to fridge, 6 ft',
  'what joins 3/4 hose thread to 1/4 tube',
  '1/2 male pipe to 3/8 comp with a stop',
  'dishwasher from 3/8 stop, 5 ft, hot',
];

const METRIC = ['1/2 copper to toilet, 500 mm', '3/8 comp to fridge, 1.8 m', ...EXAMPLES.slice(2, 4), 'dishwasher from 3/8 stop, 1.5 m, hot'];

/** What stands where the answer will. */
export function Examples({ isWhole, say }: { isWhole: boolean; say: (text: string) => void }) {
  const units = useUnits();
  return (
    <div>
      <p className="text-lg">Name both ends, and the chains that join them appear here.</p>
      {isWhole && (
        <>
          <h3 className="label mt-4">Asked in the bar above, in any words of the trade:</h3>
          <ul className="mt-1 grid gap-2">
            {(units === 'metric' ? METRIC : EXAMPLES).map((text) => (
              <li key={text}>
                <button type="button" className="key text-left" onClick={() => say(text)}>
                  {text}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
