'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { formatMoney } from '@/core/units';
import { downloadBuild } from './download';
import { useEditor } from './EditorProvider';

/** Two versions of one build: both are kept until the builder has chosen. */
export function ConflictDialog() {
  const conflict = useEditor((s) => s.conflict);
  const design = useEditor((s) => s.design);
  const keepMine = useEditor((s) => s.keepMine);
  const takeTheirs = useEditor((s) => s.takeTheirs);
  if (!conflict) return null;
  const row = (name: string, b: typeof design) => (
    <tr>
      <th scope="row">{name}</th>
      <td>{b.name}</td>
      <td className="num">{b.components.length} parts</td>
      <td className="num">{b.loops.reduce((s, l) => s + l.connections.length, 0)} runs</td>
      <td className="num">{formatMoney(b.brief.limits.budget_minor, true)}</td>
    </tr>
  );
  return (
    <Dialog open maxWidth="sm" fullWidth aria-labelledby="conflict">
      <div style={{ padding: 20, display: 'flex', flexDirection: 'column', gap: 12 }}>
        <h1 id="conflict">This build was changed elsewhere</h1>
        <p>
          Another window or person saved revision {conflict.revision} while you were working. Both
          versions are still there. Choose which goes on; the other can be kept as a file first.
        </p>
        <table>
          <tbody>
            {row('yours', design)}
            {row('theirs', conflict.design)}
          </tbody>
        </table>
        <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
          <Button variant="contained" onClick={keepMine}>
            Go on with mine
          </Button>
          <Button variant="outlined" onClick={takeTheirs}>
            Take theirs
          </Button>
          <Button onClick={() => downloadBuild(design)}>Keep mine as a file</Button>
          <Button onClick={() => downloadBuild(conflict.design)}>Keep theirs as a file</Button>
        </div>
      </div>
    </Dialog>
  );
}
