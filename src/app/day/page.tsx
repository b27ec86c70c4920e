import { Day } from '@/ui/day/Day';

export default function Page() {
  return <Day />;
}
