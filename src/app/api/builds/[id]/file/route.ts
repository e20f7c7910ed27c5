import { buildFileName, buildToText } from '@/format';
import { guarded, openBuild, refuse, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (_: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> => guarded(async () => {
  const opened = await openBuild((await params).id);
  if (!opened) return respond(refuse(404, 'There is no such build.'));
  return new Response(buildToText(opened.build), { headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': `attachment; filename="${buildFileName(opened.build.name)}"` } });
});
