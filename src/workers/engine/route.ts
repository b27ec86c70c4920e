import { proposeRoute } from '@/core/plan/proposeRoute';
import type { Handler } from '../serve';
import { planner } from './kept';

export const route: Handler<'route'> = ({ job, policy }, { progress }) => ({ output: proposeRoute(job, policy, planner, progress) });
