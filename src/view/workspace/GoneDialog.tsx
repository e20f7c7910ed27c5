'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import { useRouter } from 'next/navigation';
import { msg } from '@/core/messages';
import { downloadBuild } from './download';
import { useEditor } from './EditorProvider';
import { addBuild } from './send';
import styles from './ConflictDialog.module.css';

/** The build was deleted while it was worked on: nothing of the work is lost. */
export function GoneDialog() {
  const router = useRouter();
  const isGone = useEditor((s) => s.save === 'gone');
  const isBinned = useEditor((s) => s.saveMessage === 'binned');
  const design = useEditor((s) => s.design);
  const putBack = useEditor((s) => s.putBack);
  const say = useEditor((s) => s.say);
  if (!isGone) return null;
  const saveAsNew = async (): Promise<void> => {
    const added = await addBuild(JSON.stringify(design));
    if (added.ok) router.push(`/builds/${added.id}/heat`);
    else say(added.message);
  };
  return (
    <Dialog open maxWidth="sm" fullWidth aria-labelledby="gone">
      <div className={styles.sheet}>
        <h1 id="gone">{msg`This build was deleted elsewhere`}</h1>
        <p>
          {isBinned
            ? msg`It lies in the bin. Put it back and your work is saved on; nothing is lost.`
            : msg`It was removed for good. Your work is still here and can be saved as a new
              build.`}
        </p>
        <div className={styles.actions}>
          {isBinned && (
            <Button variant="contained" onClick={() => void putBack()}>
              {msg`Put it back and save`}
            </Button>
          )}
          <Button variant={isBinned ? 'outlined' : 'contained'} onClick={() => void saveAsNew()}>
            {msg`Save as a new build`}
          </Button>
          <Button onClick={() => downloadBuild(design)}>{msg`Keep it as a file`}</Button>
        </div>
      </div>
    </Dialog>
  );
}
