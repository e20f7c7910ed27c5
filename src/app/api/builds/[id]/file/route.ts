import { buildFile, safely, refuse, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (
  _: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> =>
  safely(async () => {
    const file = await buildFile((await params).id);
    if (!file) return respond(refuse(404, 'There is no such build.'));
    return new Response(file.text, {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${file.name}"`,
      },
    });
  });
