import { useState } from 'react';
import { forThisShop } from '../../../sync/shop-here.ts';

/** Everything of the shop as files; and such a file into a shop that is empty. */
export function WholeShop({ shopId }: { shopId: string }) {
  const [said, setSaid] = useState('');
  const [fault, setFault] = useState('');
  const [isBusy, setBusy] = useState(false);
  const takeIn = async (file: File) => {
    setBusy(true);
    setSaid(`Reading ${file.name}: nothing is kept until all of it is read ...`);
    setFault('');
    try {
      const response = await fetch(forThisShop('/api/v1/shop/import'), {
        method: 'POST',
        headers: { 'content-type': 'application/jsonl' },
        body: file,
      });
      const answer = (await response.json()) as { entries?: number; pictures?: number; at?: string; detail?: string };
      if (response.ok)
        setSaid(`Taken in: ${answer.entries?.toLocaleString('en')} entries, ${answer.pictures} pictures. Load the page again to see the shop.`);
      else setFault(answer.detail ? `${answer.at}: ${answer.detail} Nothing was taken in.` : 'It was not taken in.');
    } catch {
      setFault('The server does not answer. Nothing was taken in; try again.');
    }
    setBusy(false);
  };
  return (
    <section aria-label="The whole shop as a file" className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-2">
      <h2 className="border-b border-ink pb-1">Everything, as files</h2>
      <p>
        All that was ever entered, the house rules with their reasons, own parts and pictures: one file, a line each, in the open. It reads in an
        empty shop and comes out of it the same, byte for byte.
      </p>
      <p className="flex flex-wrap gap-3">
        <a className="key key-main" href={`/api/v1/shop.jsonl?shop=${shopId}`} download>
          The whole shop
        </a>
        <a className="key" href="/api/v1/shop-file.schema.json">
          Its schema
        </a>
        <a className="key" href={`/api/v1/entries.csv?shop=${shopId}`} download>
          Entries as CSV
        </a>
        <a className="key" href={`/api/v1/joints.csv?shop=${shopId}`} download>
          Joints as CSV
        </a>
        <a className="key" href={`/api/v1/ledger.csv?shop=${shopId}`} download>
          Connections as CSV
        </a>
      </p>
      <label className="grid grid-cols-[minmax(0,1fr)] gap-1">
        <span className="label">A whole shop's file into this one, which must be empty</span>
        <input
          type="file"
          accept=".jsonl,application/jsonl"
          className="min-h-12 max-w-full"
          disabled={isBusy}
          onChange={(e) => e.target.files?.[0] && takeIn(e.target.files[0])}
        />
      </label>
      <p role="status" className="empty:hidden">
        {fault ? '' : said}
      </p>
      <p role="alert" className="caution empty:hidden">
        {fault}
      </p>
    </section>
  );
}
