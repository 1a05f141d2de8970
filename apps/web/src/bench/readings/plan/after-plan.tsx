import { Link, useParams } from 'react-router';
import { useBench } from '../../model/bench-store.ts';

/** Links to what usually follows the last step: another circuit from the same parts, the order, or the signature. */
export function AfterPlan() {
  const { jobId = '' } = useParams();
  const order = useBench((state) => state.document.record?.order);
  const followUps = [
    { to: `/new-circuit/${jobId}`, text: 'New circuit from these parts' },
    ...(order ? [{ to: `/order/${encodeURIComponent(order)}`, text: `Order ${order}` }] : []),
    { to: `/bench/${jobId}/report`, text: 'Report and signature' },
  ];
  return (
    <nav aria-label="After the plan" className="flex flex-wrap gap-x-5 border-t border-line pt-2">
      {followUps.map(({ to, text }) => (
        <Link key={to} to={to} className="inline-flex min-h-9 items-center underline pointer-coarse:min-h-11">
          {text}
        </Link>
      ))}
    </nav>
  );
}
