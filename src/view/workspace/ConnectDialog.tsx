'use client';
import { findComponent } from '@/core/design';
import { useState } from 'react';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import FormControlLabel from '@mui/material/FormControlLabel';
import { fittingFor, looseParts, proposeLoop } from '@/core/loops';
import type { CoolantPart, FittingPart, TubePart } from '@/core/components';
import { partFigures } from '@/view/catalogue/figures';
import { Pick, useOffer, TextInput } from '@/view/shared';
import { msg, sentences, listOr, worded } from '@/core/messages';
import { useEditor } from './EditorProvider';

/** What a loop is made of unless another is chosen. */
const USUAL_TUBE = 'tube-soft-16-10';

const WITHOUT = worded(() => ({
  reservoir: msg`a reservoir`,
  pump: msg`a pump`,
  radiator: msg`a radiator`,
}));

/** Lays a loop through loose parts in the shortest order: reservoir, pump, blocks, radiators. */
export function ConnectDialog({ onClose }: { readonly onClose: () => void }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const say = useEditor((s) => s.say);
  const offer = useOffer(),
    tubes = useOffer('tube'),
    coolants = useOffer('coolant');
  const loose = looseParts(design);
  const [chosen, setChosen] = useState<readonly string[]>(loose);
  const [name, setName] = useState(
    design.loops.length === 0 ? msg`Main loop` : msg`Loop ${design.loops.length + 1}`,
  );
  const [tubeId, setTube] = useState(tubes.find((t) => t.id === USUAL_TUBE)?.id ?? '');
  const [coolantId, setCoolant] = useState(coolants[0]?.id ?? '');
  const tube = tubes.find((t) => t.id === tubeId) ?? (tubes[0] as TubePart);
  const coolant = coolants.find((c) => c.id === coolantId) ?? (coolants[0] as CoolantPart);
  const kinds = chosen.map((id) => findComponent(design, id)?.part.kind);
  const missing = (['reservoir', 'pump', 'radiator'] as const).filter((k) => !kinds.includes(k));
  const go = (): void => {
    const fitting = fittingFor(tube, offer);
    const edit =
      fitting &&
      proposeLoop(design, {
        name: name.trim() || msg`Main loop`,
        tube,
        fitting,
        coolant,
        components: chosen,
        bridges: offer.filter((p): p is FittingPart => p.kind === 'fitting' && p.duty === 'bridge'),
      });
    if (edit) commit(msg`connect a loop`, edit);
    else say(msg`Two parts with two ports each are needed for a loop.`);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="connect">
      <div style={{ padding: 20, display: 'flex', flexDirection: 'column', gap: 14 }}>
        <h1 id="connect">{msg`Connect a loop`}</h1>
        <p>
          {msg`The reservoir feeds the pump; the rest follows in the order that needs the least
            tube. Spare ports get plugs, the top one a cap to fill by, the lowest a drain. All
            of it can be changed after.`}
        </p>
        <label>
          {msg`Name`}{' '}
          <TextInput
            value={name}
            maxLength={60}
            onChange={(e) => setName(e.target.value)}
            style={{
              font: 'inherit',
              color: 'inherit',
              background: 'none',
              border: 0,
              borderBottom: '1px solid var(--hairline)',
              marginLeft: 8,
            }}
          />
        </label>
        <div>
          {loose.map((id) => {
            const component = findComponent(design, id);
            return (
              <FormControlLabel
                key={id}
                sx={{ display: 'flex', '& .MuiFormControlLabel-label': { fontSize: 14 } }}
                control={
                  <Checkbox
                    size="small"
                    sx={{ py: 0.25 }}
                    checked={chosen.includes(id)}
                    onChange={(_, on) =>
                      setChosen(on ? [...chosen, id] : chosen.filter((c) => c !== id))
                    }
                  />
                }
                label={component?.name ?? id}
              />
            );
          })}
        </div>
        <Pick
          label={msg`Tube`}
          value={tubeId}
          options={tubes.map((t) => ({ value: t.id, label: t.name }))}
          onPick={setTube}
        />
        <p className="soft" style={{ fontSize: 12.5 }}>
          {msg`${partFigures(tube)}; fitting:
            ${fittingFor(tube, offer)?.name ?? msg`none in the catalogue`}`}
        </p>
        <Pick
          label={msg`Coolant`}
          value={coolantId}
          options={coolants.map((c) => ({ value: c.id, label: c.name }))}
          onPick={setCoolant}
        />
        <p className="soft" style={{ fontSize: 12.5 }}>
          {sentences(coolant.upkeep, coolant.poisonous && msg`Toxic.`)}
        </p>
        {missing.length > 0 && (
          <p role="note">
            {msg`Without ${listOr(missing.map((k) => WITHOUT[k]))} the loop will not be complete;
              findings will say so.`}
          </p>
        )}
        <div style={{ display: 'flex', gap: 8 }}>
          <Button variant="contained" disabled={chosen.length < 2} onClick={go}>
            {msg`Connect ${chosen.length} parts`}
          </Button>
          <Button onClick={onClose}>{msg`Not now`}</Button>
        </div>
      </div>
    </Dialog>
  );
}
