import { toast as show, type ExternalToast } from 'sonner';
import { said } from './view/unitsStore';

/** Short messages at the lower edge, with lengths in the person's units. */
export const toast = Object.assign((text: string, more?: ExternalToast) => show(said(text), more), {
  error: (text: string, more?: ExternalToast) => show.error(said(text), more),
  success: (text: string, more?: ExternalToast) => show.success(said(text), more),
});
