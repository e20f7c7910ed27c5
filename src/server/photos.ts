import { pictureType } from '@/format';
import { MOST_PHOTOS, type Photo } from '@/store';
import { msg } from '@/core/messages';
import { ok, refuse, type Answer } from './answer';
import { theStore } from './store';

/** Largest photo, bytes: the page makes them smaller before it sends them. */
export const MOST_PHOTO_BYTES = 2_000_000;
const PHOTO_ID = /^[A-Za-z0-9_-]{8,40}$/;
const STEP_LENGTH = 200;
const noPhoto = () => refuse(404, msg`There is no such photo.`);

/** Photos of a build, oldest first: `[{ id, step, takenAt }]`. */
export async function photosOf(build: string): Promise<Answer> {
  const store = await theStore();
  return (await store.readAnyBuild(build))
    ? ok(await store.listPhotos(build))
    : refuse(404, msg`There is no such build.`);
}

/** A picture; null where there is none. */
export const photoOf = async (build: string, id: string): Promise<Photo | null> =>
  (await theStore()).readPhoto(build, id);

/** Keeps a photo of a step. What it is called says nothing: its bytes must be those of a picture. */
export async function keepPhoto(
  build: string,
  id: string,
  params: URLSearchParams,
  picture: Uint8Array,
): Promise<Answer> {
  const step = params.get('step') ?? '',
    takenAt = Date.parse(params.get('on') ?? ''),
    type = pictureType(picture);
  const troubles = [
    ...(PHOTO_ID.test(id)
      ? []
      : [{ path: 'id', message: msg`must be 8 to 40 letters and digits` }]),
    ...(step.length > 0 && step.length <= STEP_LENGTH
      ? []
      : [{ path: 'step', message: msg`must be a text of 1 to ${STEP_LENGTH} characters` }]),
    ...(Number.isFinite(takenAt)
      ? []
      : [{ path: 'on', message: msg`must be an ISO date and time` }]),
    ...(type ? [] : [{ path: '', message: msg`must be a JPEG, PNG or WebP` }]),
  ];
  if (type === null || troubles.length > 0)
    return refuse(400, msg`This photo cannot be kept.`, troubles);
  const kept = await (await theStore()).keepPhoto(build, { id, step, takenAt, type, picture });
  if (kept === 'missing') return refuse(404, msg`There is no such build.`);
  return kept === 'full'
    ? refuse(409, msg`A build keeps at most ${MOST_PHOTOS} photos. Take some away first.`)
    : { status: 204, body: null };
}

/** Takes a photo away for thirty days, then for good; or brings it back. */
export async function showPhoto(build: string, id: string, isShown: boolean): Promise<Answer> {
  const done = await (await theStore()).binPhoto(build, id, isShown ? null : Date.now());
  return done ? { status: 204, body: null } : noPhoto();
}
