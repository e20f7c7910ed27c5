import { dropPart, safely, putPart, readText, respond } from '@/server';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string }>;
}

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    return respond(read.ok ? await putPart((await params).id, read.data) : read.answer);
  });

export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await dropPart((await params).id)));
