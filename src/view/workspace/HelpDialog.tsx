'use client';
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { GLOSSARY } from '@/core/glossary';
import { chooseUnits, useUnits } from '@/view/shared';
import { useFrame } from './frame';
import { STAGES } from './stages';
import styles from './HelpDialog.module.css';

/** Keys of the workspace, in the order they are needed. */
const KEYS: readonly (readonly [keys: string, does: string])[] = [
  [
    `${STAGES[0]?.digit} to ${STAGES[STAGES.length - 1]?.digit}`,
    `open a stage, ${STAGES[0]?.name} to ${STAGES[STAGES.length - 1]?.name}`,
  ],
  ['[ and ]', 'step along the flow'],
  [', and .', 'on Runs, with other routes listed: step through them'],
  ['L', 'open or collapse the loop diagram'],
  ['F', 'findings'],
  ['?', 'this help'],
  ['Escape', 'pick nothing, close a sheet'],
  ['Ctrl K', 'find a command'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  [
    'Arrow keys',
    'in the scene: turn the machine; move the picked part by a little, with Shift by more',
  ],
  ['+ and −', 'in the scene: nearer, farther'],
];

/** What the keys do, and what the words of the trade mean. */
export function HelpDialog({ onClose }: { readonly onClose: () => void }) {
  const [text, setText] = useState('');
  const areKeysOn = useFrame((s) => s.areKeysOn);
  const set = useFrame((s) => s.set);
  const units = useUnits();
  const words = text.toLowerCase().trim();
  const found = GLOSSARY.filter(
    (t) => words === '' || `${t.term} ${t.means}`.toLowerCase().includes(words),
  );
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="help-title">
      <DialogTitle id="help-title">Help</DialogTitle>
      <DialogContent className={styles.columns as string}>
        <section aria-labelledby="help-keys">
          <h2 id="help-keys">Keys</h2>
          <dl className={styles.keys}>
            {KEYS.map(([keys, does]) => (
              <div key={keys}>
                <dt>
                  <kbd>{keys}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={areKeysOn}
                onChange={(e) => set({ areKeysOn: e.target.checked })}
              />
            }
            label="Single keys without Ctrl"
          />
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={units === 'us'}
                onChange={(e) => chooseUnits(e.target.checked ? 'us' : 'metric')}
              />
            }
            label="United States units: in, °F, gpm, psi"
          />
        </section>
        <section aria-labelledby="help-terms">
          <h2 id="help-terms">Terms</h2>
          <TextField
            fullWidth
            label="Find a term"
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'Escape') e.stopPropagation();
            }}
          />
          <dl className={styles.terms}>
            {found.map((t) => (
              <div key={t.term}>
                <dt>
                  {t.term}
                  {t.unit && <span className="soft"> ({t.unit})</span>}
                </dt>
                <dd>{t.means}</dd>
              </div>
            ))}
          </dl>
          {found.length === 0 && <p className="soft">No term has these letters.</p>}
        </section>
      </DialogContent>
    </Dialog>
  );
}
