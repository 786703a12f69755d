import { useState } from 'react';
import { ofThisShop } from '../../../sync/shop-here.ts';
import { ChooseUnits, say, saying, TakePremises } from '../../ui/book/index.ts';
import { KeptField } from '../../ui/form/index.ts';
import { useShop } from '../../ui/held/index.ts';

const NOT_NOW = ofThisShop('brass-nut-shop-not-now');

function wasPutOff(): boolean {
  try {
    return localStorage.getItem(NOT_NOW) !== null;
  } catch {
    return false;
  }
}

/** A shop that has nothing yet: three ways to begin, and its name asked once. */
export default function FirstRun() {
  return (
    <section aria-label="Begin" className="border border-ink bg-sheet p-4 md:p-6">
      <h2 className="text-3xl">Nothing is written down yet: begin where you are</h2>
      <div className="mt-4 grid gap-4 md:grid-cols-3">
        <div>
          <a className="key key-main min-h-16 w-full text-2xl" href="/call">
            Take a call <kbd className="max-md:hidden">c</kbd>
          </a>
          <p className="mt-2">Somebody telephones: who, what and when, as it is told. A name is enough.</p>
        </div>
        <div>
          <a className="key min-h-16 w-full text-2xl" href="/start">
            Start work here
          </a>
          <p className="mt-2">You stand under a sink: four presses to the first end. Names can come later.</p>
        </div>
        <div>
          <a className="key min-h-16 w-full text-2xl" href="/parts">
            Load your parts
          </a>
          <p className="mt-2">Your own parts and prices, from a CSV file; the shipped ones are there already.</p>
        </div>
      </div>
      <div className="mt-6 grid gap-6 border-t border-rule pt-4 md:grid-cols-2">
        <TakePremises />
        <Name />
      </div>
    </section>
  );
}

function Name() {
  const shop = useShop();
  const [isPutOff, setPutOff] = useState(wasPutOff);
  if (!shop || shop.name !== null || isPutOff) return null;
  const putOff = () => {
    setPutOff(true);
    try {
      localStorage.setItem(NOT_NOW, '1');
    } catch {
      // It is asked again next time.
    }
  };
  return (
    <div className="grid content-start gap-2">
      <KeptField
        label="What your shop is called, for estimates and reports"
        value=""
        onKeep={(name) => name !== '' && say([saying('shop', shop.id, 'changed', { name })], `${name} written down`)}
      />
      <ChooseUnits shop={shop} />
      <p className="flex flex-wrap items-center gap-4">
        <button type="button" className="key" onClick={putOff}>
          Not now
        </button>
        <a href="/shop">Address, prices, time zone</a>
      </p>
    </div>
  );
}
