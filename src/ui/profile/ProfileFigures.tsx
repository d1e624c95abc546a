import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Control } from 'react-hook-form';
import type { CodeProfile } from '@/core/schedule';
import { FormNumber } from '../kit-of-parts/form/FormNumber';
import { FormText } from '../kit-of-parts/form/FormText';
import { Group } from '../kit-of-parts/Group';
import { figureGroups, type Figure } from './figures';

interface Props {
  readonly control: Control<CodeProfile>;
  readonly profile: CodeProfile;
}

/** A figure's path as forms have it: `flameproofThreads.minAxial.1.mm`. */
const nameOf = ({ path }: Figure) => path.join('.') as 'cut.kerfMm';

/** Every figure of a profile beside the source it stands on, and the tables it carries. */
export const ProfileFigures = ({ control, profile }: Props) => (
  <>
    <Box sx={{ display: 'grid', gridTemplateColumns: { sm: '2fr 1fr' }, gap: 2.25, maxWidth: 760, mt: 2.5 }}>
      <FormText control={control} name="title" label="Name of this job’s copy" />
      <FormText control={control} name="edition" label="Edition" />
    </Box>
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(min(380px, 100%), 1fr))',
        gap: '0 28px',
      }}
    >
      {figureGroups(profile).map((group) =>
        group.figures.length === 0 ? null : (
          <Group key={group.key} title={group.title}>
            {group.figures.map((figure) => (
              <Box key={nameOf(figure)} sx={FIGURE}>
                <span aria-hidden>{figure.words}</span>
                <FormNumber
                  control={control}
                  name={nameOf(figure)}
                  label={figure.words}
                  hiddenLabel
                  empty={null}
                  placeholder={figure.value === null ? 'any' : ''}
                  width={110}
                />
              </Box>
            ))}
            <Box sx={{ mt: 1.5 }}>
              <FormText
                control={control}
                name={`${group.key}.source` as 'cut.source'}
                label="source"
                width="100%"
              />
            </Box>
          </Group>
        ),
      )}
      <Tables profile={profile} />
    </Box>
  </>
);

const FIGURE = {
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'space-between',
  gap: 1.5,
  py: 0.375,
} as const;

/** Tables that a profile carries: which cable a place accepts, which metals are refused. */
function Tables({ profile: { cableListing, corrosion } }: { readonly profile: CodeProfile }) {
  return (
    <Group title="Tables">
      {cableListing.rows.length === 0 ? (
        <Typography variant="quiet">No place asks for a listing of the cable.</Typography>
      ) : (
        <Rows
          rows={cableListing.rows.map(
            (r) => `class ${r.hazardClass}, division ${r.division}: cable listed for ${r.accepts.join(', ')}`,
          )}
        />
      )}
      <Typography variant="quiet">{cableListing.source}</Typography>
      <Rows
        rows={corrosion.pairs.map(
          (p) =>
            `${p.gland} gland on ${p.against === 'wall' ? 'a wall' : 'armour'} of ${p.material}${p.where === 'wet' ? ', in the wet' : ''}: refused`,
        )}
      />
      <Typography variant="quiet">{corrosion.source}</Typography>
    </Group>
  );
}

const Rows = ({ rows }: { readonly rows: readonly string[] }) => (
  <Box component="ul" sx={{ my: 0.5, pl: 2.25, fontSize: 13.5 }}>
    {rows.map((row) => (
      <li key={row}>{row}</li>
    ))}
  </Box>
);
