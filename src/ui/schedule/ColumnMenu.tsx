'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import type { GridColDef, GridColumnVisibilityModel } from '@mui/x-data-grid';
import { useState } from 'react';
import type { GridRow } from './grid-columns';

interface Props {
  readonly columns: readonly GridColDef<GridRow>[];
  readonly shown: GridColumnVisibilityModel;
  readonly onToggle: (field: string) => void;
}

/** Which columns are shown. The tag always is: without it a row is nobody's. */
export function ColumnMenu({ columns, shown, onToggle }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        size="small"
        variant="text"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        Columns
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ list: { 'aria-label': 'Columns', dense: true } }}
      >
        {columns
          .filter(({ field }) => field !== 'tag')
          .map(({ field, headerName }) => (
            <MenuItem
              key={field}
              role="menuitemcheckbox"
              aria-checked={shown[field] !== false}
              onClick={() => onToggle(field)}
            >
              <Checkbox
                size="small"
                checked={shown[field] !== false}
                tabIndex={-1}
                disableRipple
                aria-hidden
              />
              {headerName}
            </MenuItem>
          ))}
      </Menu>
    </>
  );
}
