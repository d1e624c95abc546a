import { ARMOUR_NAMES } from '@/core/catalogue';
import { cableSection, type CableType, type SectionRing } from '@/core/schedule';

const COPPER = 'var(--ac-amber)';
const FILL: Readonly<Record<SectionRing['layer'], string>> = {
  jacket: 'var(--mui-palette-text-primary)',
  armour: 'var(--mui-palette-text-secondary)',
  metalSheath: 'var(--mui-palette-text-secondary)',
  bedding: 'var(--mui-palette-divider)',
  cores: 'var(--mui-palette-background-default)',
};

/** A cable's section as large as its layers make it beside one another; no diameter is taken from it. */
export function CableSectionDrawing({
  type,
  size = 200,
}: {
  readonly type: CableType;
  readonly size?: number;
}) {
  const { rings, cores, bare, outerMm } = cableSection(type);
  const fillOf = ({ layer }: SectionRing) =>
    layer === 'metalSheath' && type.armourMaterial === 'copper' ? COPPER : FILL[layer];
  const r = outerMm / 2 + 0.5;
  return (
    <svg
      role="img"
      aria-label={`Section: ${type.cores} cores of ${type.coreSectionMm2} mm², ${ARMOUR_NAMES[type.armour]}, about ${Math.round(outerMm)} mm across`}
      viewBox={`${-r} ${-r} ${2 * r} ${2 * r}`}
      width={size}
      height={size}
    >
      {[...rings].reverse().map((ring) => (
        <circle
          key={ring.layer}
          r={ring.outsideMm / 2}
          fill={fillOf(ring)}
          stroke="var(--mui-palette-text-primary)"
          strokeWidth={r / 120}
        />
      ))}
      {cores.map((c) => (
        <g key={`${c.x} ${c.y}`}>
          {bare ? null : (
            <circle
              cx={c.x}
              cy={c.y}
              r={c.r}
              fill="var(--mui-palette-background-paper)"
              stroke="var(--mui-palette-text-primary)"
              strokeWidth={r / 120}
            />
          )}
          {c.screenFromMm === undefined ? null : (
            <circle
              cx={c.x}
              cy={c.y}
              r={(c.r + c.screenFromMm) / 2}
              fill="none"
              stroke="var(--mui-palette-text-secondary)"
              strokeWidth={c.r - c.screenFromMm}
            />
          )}
          <circle cx={c.x} cy={c.y} r={c.conductorMm} fill={COPPER} />
        </g>
      ))}
    </svg>
  );
}
