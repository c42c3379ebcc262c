import { NotFound } from '@/ui/frame/NotFound';

export default function Page() {
  return <NotFound />;
}
