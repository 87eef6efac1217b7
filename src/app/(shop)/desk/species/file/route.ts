import { speciesFile } from '@/features/desk/species-file';

export async function GET(request: Request): Promise<Response> {
  const key = new URL(request.url).searchParams.get('species') ?? '';
  const file = await speciesFile(key);
  if (!file) return new Response('There is no such species.', { status: 404 });
  return new Response(`${JSON.stringify(file, null, 1)}\n`, {
    headers: {
      'cache-control': 'private, no-store',
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${file.speciesKey}.json"`,
    },
  });
}
