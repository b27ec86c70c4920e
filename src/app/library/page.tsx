import { Library } from '@/ui/library/Library';

export default function Page() {
  return <Library />;
}
