import { apiSchema } from '@/core/report/schema';

/** What the interface from outside takes and gives, as JSON Schema. */
export const GET = (): Response => Response.json(apiSchema);
