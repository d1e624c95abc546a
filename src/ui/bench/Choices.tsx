'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { Choice as Asked } from '@/core/record';
import { Choice } from '../kit-of-parts/Choice';

export type Chosen = Readonly<Record<string, string>>;

/** More than so many are picked from a list. */
const MOST_BUTTONS = 4;

interface Props {
  readonly choices: readonly Asked[];
  readonly chosen: Chosen;
  readonly onChoose: (chosen: Chosen) => void;
}

/** How many of what is asked after nobody has said yet. */
export const unsaid = (choices: readonly Asked[], chosen: Chosen): number =>
  choices.filter((c) => chosen[c.key] === undefined).length;

/** With one more said: what lay there before lies nowhere now. */
function withChoice(chosen: Chosen, key: string, option: string): Chosen {
  const others = Object.entries(chosen).filter(([k, o]) => k !== key && o !== option);
  const said: readonly (readonly [string, string])[] = option === '' ? [] : [[key, option]];
  return Object.fromEntries([...others, ...said]);
}

/** What lies where, each thing by one of its options; buttons that a glove hits, a list where there are many. */
export const Choices = ({ choices, chosen, onChoose }: Props) => (
  <Stack sx={{ gap: 1.25 }}>
    {choices.map(({ key, label, options }) => (
      <Box key={key} sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '6px 16px' }}>
        {options.length > MOST_BUTTONS ? (
          <Choice
            label={label}
            options={[['', 'not said yet'], ...options.map((o) => [o, o] as const)]}
            value={chosen[key] ?? ''}
            onChange={(o) => onChoose(withChoice(chosen, key, o))}
            width={220}
          />
        ) : (
          <>
            <Box component="span" sx={{ minWidth: 72, fontSize: 22, fontWeight: 700 }}>
              {label}
            </Box>
            <ToggleButtonGroup
              exclusive
              aria-label={label}
              value={chosen[key] ?? null}
              onChange={(_, next: string | null) => onChoose(withChoice(chosen, key, next ?? ''))}
            >
              {options.map((o) => (
                <ToggleButton key={o} value={o} sx={{ minWidth: 76, minHeight: 56, fontSize: 18 }}>
                  {o}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </>
        )}
      </Box>
    ))}
  </Stack>
);
