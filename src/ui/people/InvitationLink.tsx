'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import QRCode from 'qrcode';
import { Panel } from '../kit-of-parts/Panel';
import { TextField } from '../kit-of-parts/TextField';

interface Props {
  readonly link: string;
  readonly name: string;
  readonly onClose: () => void;
}

/** An invitation to be handed on: as a link, or as a code to be held before a camera. It is shown once. */
export function InvitationLink({ link, name, onClose }: Props) {
  const [code, setCode] = useState<string | null>(null);
  const [copied, setCopied] = useState(false);
  useEffect(() => {
    let gone = false;
    void QRCode.toString(link, { type: 'svg', margin: 1 }).then((svg) => {
      if (!gone) setCode(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`);
    });
    return () => {
      gone = true;
    };
  }, [link]);
  return (
    <Panel label={`Invitation for ${name}`} live>
      <Stack direction={{ xs: 'column', sm: 'row' }} sx={{ gap: 2, py: 1 }}>
        {code === null ? null : (
          <Box
            component="img"
            src={code}
            alt={`Code of the invitation for ${name}`}
            sx={{ width: 168, height: 168, bgcolor: 'common.white' }}
          />
        )}
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography variant="h3">For {name}, once, within a week</Typography>
          <Typography variant="quiet" component="p" sx={{ mb: 1.5 }}>
            Hold the code before their camera, or send the link by whatever way you trust. It is shown now and
            never again.
          </Typography>
          <TextField
            label="Link"
            value={link}
            fullWidth
            slotProps={{ htmlInput: { readOnly: true } }}
            onFocus={(e) => e.target.select()}
          />
          <Stack direction="row" sx={{ gap: 1, mt: 1.5 }}>
            <Button
              variant="contained"
              onClick={() => {
                // Without TLS a browser may have no clipboard: the field can be copied from by hand.
                if ('clipboard' in navigator)
                  void navigator.clipboard.writeText(link).then(() => setCopied(true));
              }}
            >
              {copied ? 'Copied' : 'Copy the link'}
            </Button>
            <Button variant="outlined" onClick={onClose}>
              Done
            </Button>
          </Stack>
        </Box>
      </Stack>
    </Panel>
  );
}
