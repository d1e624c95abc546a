import Tooltip from '@mui/material/Tooltip';
import type { ReactElement } from 'react';

interface Props {
  readonly text: string;
  readonly children: ReactElement;
}

/** What a thing says of itself when a pointer or the focus rests on it. Nothing that must be known may stand only here: gloves do not hover. */
export const Hint = ({ text, children }: Props) => (
  <Tooltip title={text} describeChild enterDelay={400} enterTouchDelay={0} leaveTouchDelay={6000}>
    {children}
  </Tooltip>
);
