import { buildFile, download, refuse, respond, safely } from '@/server';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';

export const GET = (
  _: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> =>
  safely(async () => {
    const file = await buildFile((await params).id);
    return file
      ? download(file.text, file.name, 'application/json; charset=utf-8')
      : respond(refuse(404, msg`There is no such build.`));
  });
