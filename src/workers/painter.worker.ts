import { growPlan } from './painter/growPlan';
import { hide } from './painter/hide';
import { picture } from './painter/picture';
import { showPlan } from './painter/showPlan';
import type { PainterRequest } from './protocol/messages';
import { serve } from './serve';

/** Pictures of thread: one file for each request. */
serve<PainterRequest>({ showPlan, growPlan, hide, picture });
