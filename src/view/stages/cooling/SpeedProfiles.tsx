'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Press, TextInput } from '@/view/shared';
import { memo, useState } from 'react';
import { freeId, type Design, type SpeedProfile } from '@/core/design';
import { formatKelvin, formatNumber } from '@/core/units';
import { useEditor, useEditorLater, useSpeedsJudged } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CoolingStage.module.css';

const NAMES = worded(() => [msg`Quiet`, msg`Day`, msg`Night`] as const);

/** The speeds everything turns at now. */
const speedsNow = ({ components }: Design): SpeedProfile['speeds_rpm'] =>
  Object.fromEntries(
    components.flatMap(({ id, part, settings }) =>
      part.kind === 'fan' || part.kind === 'pump'
        ? [[id, settings.speed_rpm ?? part.fullSpeed_rpm]]
        : [],
    ),
  );

/** Speeds of all fans and pumps kept by a name, each with what it comes to. */
export const SpeedProfiles = memo(function SpeedProfiles() {
  const design = useEditorLater((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const kept = design.choices.speeds ?? {};
  const [name, setName] = useState('');
  const { result: judged, fresh } = useSpeedsJudged(Object.keys(kept).length > 0);
  const rows = Object.entries(kept).map(([id, profile]) => ({
    id,
    profile,
    told: fresh ? judged?.find((j) => j.id === id) : undefined,
  }));
  const keep = (as: string): void => {
    const known = Object.entries(kept).find(([, p]) => p.name === as)?.[0];
    const id = known ?? freeId(Object.keys(kept), as.toLowerCase().replace(/[^a-z0-9]+/g, '-'));
    commit(msg`keep these speeds as ${as}`, {
      do: 'speeds.keep',
      id,
      profile: { name: as, speeds_rpm: speedsNow(design) },
    });
    setName('');
  };
  return (
    <Section title={msg`Speeds by name`}>
      {rows.length > 0 && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`name`}</TableCell>
              <TableCell className="num">{msg`rise`}</TableCell>
              <TableCell className="num">dBA</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map(({ id, profile, told }) => (
              <TableRow key={id}>
                <TableCell>{profile.name}</TableCell>
                <TableCell className="num">
                  {told && told.rise_K !== null ? formatKelvin(told.rise_K) : '–'}
                </TableCell>
                <TableCell className="num">
                  {told ? formatNumber(told.noise_dBA, { decimals: 1 }) : '–'}
                </TableCell>
                <TableCell>
                  <Press
                    className={styles.link}
                    aria-label={msg`Use ${profile.name}`}
                    onClick={() => commit(msg`speeds: ${profile.name}`, { do: 'speeds.use', id })}
                  >
                    {msg`Use`}
                  </Press>{' '}
                  <Press
                    className={styles.link}
                    aria-label={msg`Forget ${profile.name}`}
                    onClick={() =>
                      commit(msg`forget ${profile.name}`, { do: 'speeds.keep', id, profile: null })
                    }
                  >
                    {msg`Forget`}
                  </Press>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      <p className="soft">{msg`Keep the speeds that fans and pumps have now as`}</p>
      <p className={styles.names}>
        {NAMES.map((n) => (
          <span key={n}>
            <Press className={styles.put} onClick={() => keep(n)}>
              {n}
            </Press>{' '}
          </span>
        ))}
        <TextInput
          aria-label={msg`Another name for these speeds`}
          placeholder={msg`or another name`}
          maxLength={40}
          value={name}
          onChange={(e) => setName(e.target.value)}
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === 'Enter' && name.trim()) keep(name.trim());
          }}
        />
      </p>
    </Section>
  );
});
