import { type ApplianceFacts, type Setting, settingQuery } from './setting.ts';

const SIDES = [
  { id: 'flow', path: '/flow', name: 'What reaches it' },
  { id: 'hammer', path: '/hammer', name: 'What bangs' },
] as const;

/** The two sides of a line's water: each takes along what was said of the line. */
export function Sides({
  here,
  setting,
  appliances,
}: {
  here: (typeof SIDES)[number]['id'];
  setting: Setting;
  appliances: readonly ApplianceFacts[];
}) {
  return (
    <nav aria-label="Flow and hammer" className="flex flex-wrap gap-x-2 border-b border-rule font-head text-xl font-medium print:hidden">
      {SIDES.map((side) => (
        <a
          key={side.id}
          href={`${side.path}?${settingQuery(setting, appliances)}`}
          aria-current={side.id === here ? 'page' : undefined}
          className={`inline-flex min-h-12 items-center px-3 no-underline ${side.id === here ? 'border-b-4 border-brass-deep' : ''}`}
        >
          {side.name}
        </a>
      ))}
    </nav>
  );
}
