import { usePreferences } from '../../ui/preferences.js';

/** Pixels a millimetre, as screens are made to be: 96 to the inch. */
const PX_PER_MM = 96 / 25.4;
const WIDTH = 220;
const RIM = 14;

/** The neck of a jar at its own size, with the headspace marked in the maker's unit. */
export function Headspace({ mm }: { readonly mm: number }) {
  const { units } = usePreferences();
  const inches = mm > 10 ? '½' : '¼';
  const words =
    units === 'us' ? `${inches} in (${mm.toFixed(0)} mm)` : `${mm.toFixed(0)} mm (${inches} in)`;
  const fill = RIM + mm * PX_PER_MM;
  const bottom = fill + 46;
  const neck = `M24 ${RIM} V${bottom} M${WIDTH - 24} ${RIM} V${bottom}`;
  return (
    <section aria-label="Headspace" className="panel flex flex-wrap items-center gap-4 p-4">
      <svg
        role="img"
        aria-label={`The neck of a jar: jam to ${words} below the rim`}
        width={WIDTH + 60}
        height={bottom + 4}
        className="shrink-0"
      >
        <rect x="26" y={fill} width={WIDTH - 52} height={bottom - fill} fill="var(--fruit)" />
        <path d={neck} stroke="currentColor" strokeWidth="4" fill="none" />
        <path
          d={`M10 ${RIM} H${WIDTH - 10}`}
          stroke="currentColor"
          strokeWidth="1.5"
          strokeDasharray="4 3"
        />
        <path
          d={`M${WIDTH + 2} ${RIM} V${fill} M${WIDTH - 4} ${RIM} h12 M${WIDTH - 4} ${fill} h12`}
          stroke="currentColor"
          strokeWidth="2"
        />
        <text
          x={WIDTH + 14}
          y={(RIM + fill) / 2 + 5}
          fontSize="16"
          fontWeight="700"
          fill="currentColor"
        >
          {units === 'us' ? `${inches} in` : `${mm.toFixed(0)} mm`}
        </text>
      </svg>
      <div className="min-w-[12rem] flex-1">
        <h2 className="text-xl">Headspace {words}</h2>
        <p className="text-soft">
          From the rim, not the shoulder. Less and it boils out under the lid; more and air stays,
          the vacuum is weak and the top darkens.
        </p>
      </div>
    </section>
  );
}
