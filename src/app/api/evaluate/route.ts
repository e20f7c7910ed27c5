import { evaluateDocument, guarded, readJson, respond, theShelves } from '@/server';

export const dynamic = 'force-dynamic';

export const POST = (request: Request): Promise<Response> =>
  guarded(async () => {
    const read = await readJson(request);
    return respond(
      read.ok
        ? await evaluateDocument(read.data, await theShelves(), {
            fixes: new URL(request.url).searchParams.get('fixes') === '1',
          })
        : read.answer,
    );
  });
