import {
  keepPhoto,
  MOST_PHOTO_BYTES,
  photoOf,
  readBytes,
  refuse,
  respond,
  safely,
  showPhoto,
} from '@/server';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string; photo: string }>;
}

/** The picture. */
export const GET = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const { id, photo } = await params;
    const found = await photoOf(id, photo);
    return found
      ? new Response(new Uint8Array(found.picture), {
          headers: {
            'content-type': found.type,
            'cache-control': 'private, max-age=31536000, immutable',
            'x-content-type-options': 'nosniff',
          },
        })
      : respond(refuse(404, msg`There is no such photo.`));
  });

/** `?step=…&on=ISO`, the picture as body; sent twice it is kept once. */
export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const { id, photo } = await params;
    const read = await readBytes(
      request,
      /^image\/(jpeg|png|webp)$/,
      msg`a picture (content-type: image/jpeg, image/png or image/webp)`,
      MOST_PHOTO_BYTES,
    );
    if (!read.ok) return respond(read.answer);
    const { searchParams } = new URL(request.url);
    return respond(await keepPhoto(id, photo, searchParams, read.data));
  });

/** Takes it away for thirty days. */
export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const { id, photo } = await params;
    return respond(await showPhoto(id, photo, false));
  });

/** Brings it back. */
export const POST = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const { id, photo } = await params;
    return respond(await showPhoto(id, photo, true));
  });
