import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';

interface Props {
  /** What is taken all the same: a size, a plan. */
  readonly code: string;
  /** What goes, in a sentence without its full stop. */
  readonly words: string;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** Asked before work at the bench, or a signature, goes with the size that it was done for. */
export function UndoesWorkDialog({ code, words, onTake, onLeave }: Props) {
  return (
    <Dialog open onClose={onLeave} aria-labelledby="undoes-work">
      <DialogTitle id="undoes-work">Take {code} all the same?</DialogTitle>
      <DialogContent>
        {words.charAt(0).toUpperCase()}
        {words.slice(1)}. The record keeps what was done. Undo does not bring it back into force.
      </DialogContent>
      <DialogActions>
        <Button variant="contained" color="secondary" onClick={onLeave} autoFocus>
          Leave it
        </Button>
        <Button variant="outlined" onClick={onTake}>
          Take {code}, do it again
        </Button>
      </DialogActions>
    </Dialog>
  );
}
