import type { AcceptedFinding, Brief } from '@/core/document/types';
import { keepPreference, preference } from '@/platform/storage';
import { jobFromDrawing } from './newJob';

interface Demo {
  name: string;
  file: string;
  brief: Partial<Brief>;
  accepted: AcceptedFinding[];
}

/** Made-up jobs of the Quillwater Stitchroom. */
const DEMOS: readonly Demo[] = [
  {
    name: 'Ferry crew polo',
    file: 'heron.svg',
    brief: {
      cloth: 'pique',
      place: 'left-chest',
      garment: 'Polo shirt, white',
      hoop: { width: 100, height: 100, shape: 'rect' },
      size: { width: 85 },
      quantity: 24,
      notes: 'For the ferry crew. The heron must read from across the deck; keep the reeds slim.',
    },
    accepted: [{ rule: 'layers-stacked', pieces: [], reason: 'the head is small and is to stand up; sewn slowly with a 75/11 needle' }],
  },
];

const SEEDED = 'demo-jobs-laid-out';

/** Lays out the demo jobs once; a job that the person removed stays removed. */
export async function layOutDemos(): Promise<void> {
  if (await preference<boolean>(SEEDED)) return;
  for (const demo of DEMOS) {
    const response = await fetch(`/demo/${demo.file}`);
    if (response.ok) await jobFromDrawing({ ...demo, svg: await response.text() });
  }
  await keepPreference(SEEDED, true);
}
