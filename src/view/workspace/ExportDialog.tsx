'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Check, Segments } from '@/view/shared';
import { msg } from '@/core/messages';
import { useEditor } from './EditorProvider';
import { EXPORTS, saveExports, type ExportInputs, type ExportItem } from './exports';
import styles from './ExportDialog.module.css';

/** One place for everything that leaves the app as a file. */
export function ExportDialog({ onClose }: { readonly onClose: () => void }) {
  const id = useEditor((s) => s.id);
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const [chosen, setChosen] = useState<readonly string[]>(['list-csv']);
  const [size, setSize] = useState<'A4' | 'LETTER'>('A4');
  const [hasBom, setBom] = useState(true);
  const [state, setState] = useState<{ readonly busy: boolean; readonly trouble: string | null }>({
    busy: false,
    trouble: null,
  });
  const inputs: ExportInputs = { id, design, analysis, size, hasBom };
  const items = EXPORTS.filter((x) => chosen.includes(x.id) && x.why(inputs) === null);
  const go = async (): Promise<void> => {
    setState({ busy: true, trouble: null });
    try {
      await saveExports(inputs, items);
      setState({ busy: false, trouble: null });
      onClose();
    } catch (error) {
      const trouble = error instanceof Error ? error.message : msg`It could not be made.`;
      setState({ busy: false, trouble });
    }
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="export-title">
      <DialogTitle id="export-title">{msg`Export`}</DialogTitle>
      <DialogContent>
        <ul className={styles.list}>
          {EXPORTS.map((item) => {
            const why = item.why(inputs);
            return (
              <li key={item.id}>
                <FormControlLabel
                  disabled={why !== null}
                  control={
                    <Check
                      checked={why === null && chosen.includes(item.id)}
                      onChange={(e) =>
                        setChosen(
                          e.target.checked
                            ? [...chosen, item.id]
                            : chosen.filter((x) => x !== item.id),
                        )
                      }
                    />
                  }
                  label={`${item.name}, ${item.format}`}
                />
                {why && <span className="soft">{why}</span>}
              </li>
            );
          })}
        </ul>
        <div className={styles.options}>
          <Segments
            label={msg`Paper`}
            value={size}
            options={[
              { value: 'A4', label: 'A4' },
              { value: 'LETTER', label: msg`Letter` },
            ]}
            onPick={setSize}
          />
          <FormControlLabel
            control={<Check checked={hasBom} onChange={(e) => setBom(e.target.checked)} />}
            label={msg`CSV with byte order mark, for spreadsheets`}
          />
        </div>
        <p role="status" className={styles.trouble}>
          {state.trouble}
        </p>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => window.print()}>{msg`Print this stage`}</Button>
        <Button onClick={onClose}>{msg`Cancel`}</Button>
        <Button
          variant="contained"
          disabled={items.length === 0 || state.busy}
          onClick={() => void go()}
        >
          {exportWords(items, state.busy)}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function exportWords(items: readonly ExportItem[], isBusy: boolean): string {
  if (isBusy) return msg`Making the files …`;
  if (items.length > 1) return msg`Export ${items.length} as ZIP`;
  return items[0] ? msg`Export ${items[0].format}` : msg`Export`;
}
