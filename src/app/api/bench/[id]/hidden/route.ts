import { benchHub, isBenchId } from '../../hub';

export const dynamic = 'force-dynamic';

/** What the bench hides, for whoever wants to see how near they came. */
export async function GET(_request: Request, { params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  const hidden = isBenchId(id) ? benchHub().hidden(id) : null;
  return hidden ? Response.json(hidden) : new Response('no such bench', { status: 404 });
}
