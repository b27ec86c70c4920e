import { clippingLoaded } from './clipping';
import { clothSample } from './engine/clothSample';
import { compare } from './engine/compare';
import { correct } from './engine/correct';
import { effect } from './engine/effect';
import { floor, place } from './engine/floor';
import { forecast } from './engine/forecast';
import { faceSheet } from './engine/faceSheet';
import { heights } from './engine/heights';
import { textOver } from './engine/textOver';
import { lift } from './engine/lift';
import { lineUp } from './engine/lineUp';
import { machineFile } from './engine/machineFile';
import { meetings } from './engine/meetings';
import { motionWords } from './engine/motionWords';
import { names } from './engine/names';
import { newJob } from './engine/newJob';
import { paper } from './engine/paper';
import { page } from './engine/page';
import { plan } from './engine/plan';
import { preview } from './engine/preview';
import { prove } from './engine/prove';
import { readFile } from './engine/readFile';
import { route } from './engine/route';
import { sample } from './engine/sample';
import { applyRemedies, causes, laidPhoto, layPhoto, learnCloth, reducePhoto, seenGaps } from './engine/sewouts';
import { survey } from './engine/survey';
import { takeAway } from './engine/takeAway';
import { trace } from './engine/trace';
import { thumbnail } from './engine/thumbnail';
import { lighter } from './engine/lighter';
import { sewnOtherwise } from './engine/sewnOtherwise';
import { sewnWith } from './engine/sewnWith';
import { weight } from './engine/weight';
import { packJob, writeShelf } from './engine/writeShelf';
import { printingFromServer } from './printing';
import type { EngineRequest } from './protocol/messages';
import { serve } from './serve';

const handlers: Parameters<typeof serve<EngineRequest>>[0] = {
  survey,
  trace,
  page,
  lift,
  newJob,
  lighter,
  plan,
  weight,
  forecast,
  correct,
  faceSheet,
  heights,
  textOver,
  names,
  prove,
  compare,
  route,
  readFile,
  packJob,
  writeShelf,
  meetings,
  effect,
  sewnOtherwise,
  sewnWith,
  preview,
  sample,
  clothSample,
  thumbnail,
  floor,
  place,
  machineFile,
  lineUp,
  motionWords,
  paper,
  reducePhoto,
  layPhoto,
  seenGaps,
  laidPhoto,
  causes,
  applyRemedies,
  learnCloth,
  export: takeAway,
};

printingFromServer();

/** Artwork, plans, forecasts, proofs and files: one file for each request. */
serve<EngineRequest>(handlers, clippingLoaded());
