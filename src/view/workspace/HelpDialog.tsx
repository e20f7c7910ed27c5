'use client';
import { useState } from 'react';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { GLOSSARY } from '@/core/glossary';
import { chooseLanguage, chooseUnits, useLanguage, useUnits } from '@/view/shared';
import { msg, worded, listAnd } from '@/core/messages';
import { useFrame } from './frame';
import { STAGES } from './stages';
import styles from './HelpDialog.module.css';

const FIRST_STAGE = STAGES[0] as (typeof STAGES)[number],
  LAST_STAGE = STAGES.at(-1) as (typeof STAGES)[number];

/** Keys of the workspace, in the order they are needed. */
const KEYS: readonly (readonly [keys: string, does: string])[] = worded(() => [
  [
    msg`${FIRST_STAGE.digit} to ${LAST_STAGE.digit}`,
    msg`open a stage, ${FIRST_STAGE.name} to ${LAST_STAGE.name}`,
  ],
  [listAnd(['[', ']']), msg`step along the flow`],
  [listAnd([',', '.']), msg`on Runs, with other routes listed: step through them`],
  ['L', msg`open or collapse the loop diagram`],
  ['F', msg`findings`],
  ['?', msg`this help`],
  [msg`Escape`, msg`pick nothing, close a sheet`],
  [msg`Ctrl K`, msg`find a command`],
  [msg`Ctrl Z, Ctrl Shift Z`, msg`undo, redo`],
  [
    msg`Arrow keys`,
    msg`in the scene: turn the machine; move the picked part by a little, with Shift by more`,
  ],
  [msg`+ and −`, msg`in the scene: nearer, farther`],
]);

/** What the keys do, and what the words of the trade mean. */
export function HelpDialog({ onClose }: { readonly onClose: () => void }) {
  const [text, setText] = useState('');
  const areKeysOn = useFrame((s) => s.areKeysOn);
  const set = useFrame((s) => s.set);
  const units = useUnits();
  const language = useLanguage();
  const words = text.toLowerCase().trim();
  const found = GLOSSARY.filter(
    (t) => words === '' || `${t.term} ${t.means}`.toLowerCase().includes(words),
  );
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="help-title">
      <DialogTitle id="help-title">{msg`Help`}</DialogTitle>
      <DialogContent className={styles.columns as string}>
        <section aria-labelledby="help-keys">
          <h2 id="help-keys">{msg`Keys`}</h2>
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
          <Setting
            label={msg`Single keys without Ctrl`}
            isOn={areKeysOn}
            onSet={(isOn) => set({ areKeysOn: isOn })}
          />
          <Setting
            label={msg`United States units: in, °F, gpm, psi`}
            isOn={units === 'us'}
            onSet={(isOn) => chooseUnits(isOn ? 'us' : 'metric')}
          />
          <Setting
            label={msg`Accented English, 40 % longer: to check translations`}
            isOn={language === 'en-XA'}
            onSet={(isOn) => chooseLanguage(isOn ? 'en-XA' : 'en')}
          />
        </section>
        <section aria-labelledby="help-terms">
          <h2 id="help-terms">{msg`Terms`}</h2>
          <TextField
            fullWidth
            label={msg`Find a term`}
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
          {found.length === 0 && <p className="soft">{msg`No term has these letters.`}</p>}
        </section>
      </DialogContent>
    </Dialog>
  );
}

/** How this person reads the app, on or off. */
function Setting({
  label,
  isOn,
  onSet,
}: {
  readonly label: string;
  readonly isOn: boolean;
  onSet(isOn: boolean): void;
}) {
  const input = <Switch size="small" checked={isOn} onChange={(e) => onSet(e.target.checked)} />;
  return <FormControlLabel control={input} label={label} />;
}
