import { survey as surveyed } from '@/core/artwork/survey';
import type { Handler } from '../serve';

export const survey: Handler<'survey'> = (request, { progress }) => ({ output: surveyed(request, progress) });
