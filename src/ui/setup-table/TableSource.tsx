'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Acts } from '../kit-of-parts/Acts';
import { FileButton } from '../kit-of-parts/FileButton';
import { TextField } from '../kit-of-parts/TextField';
import type { TableIn } from './use-table-in';

interface Props {
  readonly table: TableIn;
  readonly label: string;
  readonly placeholder: string;
}

/** Where a table comes from: pasted out of a spreadsheet or a document, or a file. */
export function TableSource({ table, label, placeholder }: Props) {
  const [text, setText] = useState('');
  return (
    <Box
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const [dropped] = e.dataTransfer.files;
        if (dropped) void table.file(dropped);
      }}
    >
      <TextField
        label={label}
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder={placeholder}
        slotProps={{ input: { multiline: true, minRows: 3, maxRows: 8 } }}
        fullWidth
      />
      <Acts>
        <Button
          variant="outlined"
          disabled={text.trim() === '' || table.busy}
          onClick={() => void table.paste(text)}
        >
          Read what is pasted
        </Button>
        <FileButton
          label="Table, XLSX or CSV"
          accept=".csv,.txt,.tsv,.xlsx,text/csv,application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
          disabled={table.busy}
          onFile={(file) => void table.file(file)}
        >
          Choose a file
        </FileButton>
      </Acts>
    </Box>
  );
}
