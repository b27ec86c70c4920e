export const JOB_STAGES = ['asked', 'digitizing', 'sew-out', 'approved', 'in-production', 'done'] as const;
/** Where a job stands. */
export type JobStage = (typeof JOB_STAGES)[number];

/** Something to ask the customer: not asked yet, asked on a day, or answered. */
export interface Question {
  id: string;
  text: string;
  /** Day on which it was sent, as year-month-day. */
  asked?: string;
  answer?: string;
}

/** That the customer, or the shop, agreed to what the approval picture shows. */
export interface Approval {
  /** Day, as year-month-day. */
  on: string;
  by: string;
  note?: string;
  /** Fingerprint of the pieces and threads that were agreed to: tells whether they were changed since. */
  of: string;
}

export const GARMENT_SIZES = ['child', 'youth', 'S', 'M', 'L', 'XL', '2XL'] as const;
export type GarmentSize = (typeof GARMENT_SIZES)[number];
