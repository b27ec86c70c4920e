'use client';
import { said } from '@/session/view/unitsStore';
import { memo, useEffect, useRef } from 'react';
import { recipeFor, stabilizerFor } from '@/core/cloth/house';
import { clothColour } from '@/core/render/picture';
import type { Job, Piece } from '@/core/document/types';
import { kindsFor, PIECE_KINDS } from '@/core/document/kinds';
import type { PlannedPiece } from '@/core/plan/plan';
import { setKind } from '@/session/edit/commands';
import { useProof } from '@/session/derived/proofStore';
import { useRoute } from '@/session/derived/routeStore';
import { usePlan } from '@/session/derived/planStore';
import { useView } from '@/session/view/viewStore';
import { Choice } from '../../components/Choice';
import { Arrange } from './Arrange';
import { ApproachControl } from './ApproachControl';
import { CrossSection } from '../../components/CrossSection';
import { formOf, sentenceOf } from '@/core/pieces/registry';
import { Follows } from './lettering/Follows';
import { TheySay } from './lettering/TheySay';
import { LetteringCard } from './lettering/LetteringCard';
import { LikeThis } from './LikeThis';
import { ManyCard } from './ManyCard';
import { PieceList } from '../panels/PieceList';
import { ProofPanel } from '../panels/ProofPanel';
import { PieceName } from './PieceName';
import { RoutePanel } from '../panels/RoutePanel';
import { ShapeTools } from './ShapeTools';
import { Settings } from './Settings';
import { SizeFields } from './SizeFields';
import { ThreadChoice } from './ThreadChoice';
import { WhySo } from './WhySo';
import { useRested } from '../useRested';
import { Sign } from '../../components/Sign';

/** The chosen piece, or the sewing order when none is chosen. */
export function StitchCard({ job: present }: { job: Job }) {
  // The cloth answers first: while a shape is dragged the card follows when there is time.
  const job = useRested(present);
  const selected = useView((s) => s.selected);
  const piece = job.pieces.find((p) => p.id === selected);
  const proving = useProof((s) => s.open);
  const routing = useRoute((s) => s.open);
  const many = useView((s) => s.also.length > 0);
  const card = useRef<HTMLElement>(null);
  useEffect(() => {
    if (card.current) card.current.scrollTop = 0;
  }, [selected]);
  const plan = useRested(usePlan((s) => s.planned?.plan));
  const planned = plan?.pieces.find((p) => p.id === selected);
  return (
    <aside ref={card} aria-label="Stitch card" className="relative flex min-h-0 flex-1 flex-col overflow-auto bg-panel">
      {proving ? (
        <ProofPanel />
      ) : routing ? (
        <RoutePanel job={job} />
      ) : piece && many ? (
        <ManyCard job={job} />
      ) : piece ? (
        <Chosen job={job} piece={piece} planned={planned} />
      ) : (
        <PieceList job={job} />
      )}
    </aside>
  );
}

const Chosen = memo(function Chosen({ job, piece, planned }: { job: Job; piece: Piece; planned: PlannedPiece | undefined }) {
  const thread = job.threads.find((t) => t.id === piece.thread);
  const recipe = recipeFor(job.brief);
  const number = job.pieces.findIndex((p) => p.id === piece.id) + 1;
  return (
    <div className="p-4">
      <PieceName key={piece.id + piece.name} piece={piece} number={number} of={job.pieces.length} />
      <div className="mt-3 grid grid-cols-[92px_1fr] gap-2">
        <Choice
          label="Sewn as"
          hideLabel
          value={piece.kind}
          options={kindsFor(piece).map((k) => ({ value: k, name: PIECE_KINDS[k].word }))}
          onChange={(k) => setKind(piece.id, k)}
        />
        <ThreadChoice job={job} ids={[piece.id]} value={piece.thread} />
      </div>
      {piece.follows && <Follows job={job} piece={piece} follows={piece.follows} />}
      {piece.lettering && !piece.follows && (
        <LetteringCard key={piece.id} job={job} piece={piece} text={piece.lettering} weight={thread?.weight ?? 40} />
      )}
      <WhySo job={job} piece={piece} />
      <LikeThis job={job} piece={piece} />
      <Arrange />
      <SizeFields />
      <ShapeTools pieces={[piece]} />
      <TheySay key={`says ${piece.id}`} pieces={[piece]} />
      <ApproachControl job={job} piece={piece} planned={planned} />
      {planned ? (
        <>
          <p className="my-3" data-testid="sentence">
            {planned.settings ? sentenceOf(piece, planned.settings, planned.widthMm) : planned.problem && `Not sewn: ${planned.problem}.`}
          </p>
          <CrossSection
            isLine={formOf(piece) === 'line'}
            planned={planned}
            thread={thread?.hex ?? '#888888'}
            cloth={{ key: job.brief.cloth, hex: clothColour(job) }}
            stabilizer={stabilizerFor(recipe, job.settings)}
            topping={recipe.topping}
          />
          <p className="mt-1 mb-2 text-right text-quiet">
            <span className="figures font-semibold text-ink" data-testid="piece-stitches">
              {planned.stitches.toLocaleString('en')}
            </span>{' '}
            stitches · <span className="figures">{said(`${planned.areaMm2.toFixed(0)} mm²`)}</span>
          </p>
          {planned.settings && <Settings ids={[piece.id]} piece={piece} settings={planned.settings} units={job.brief.units ?? 'mm'} />}
          {planned.problem && (
            <p role="alert" className="mt-2 text-danger">
              <Sign of="stop" /> Not sewn: {planned.problem}.
            </p>
          )}
        </>
      ) : (
        <p className="mt-3 text-quiet" role="status">
          Laying its stitches …
        </p>
      )}
    </div>
  );
});
