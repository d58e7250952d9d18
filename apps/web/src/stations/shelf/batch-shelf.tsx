import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context.js';
import { useLotsOf } from '../../data/shelf.js';
import { Empty } from '../../ui/page.js';
import { Lots } from './lots.js';

/** The jars of this batch. */
export function BatchShelf() {
  const { id, document } = useBatch();
  const lots = useLotsOf(id).lots.map((lot) => ({ ...lot, title: document.title }));
  if (lots.length > 0)
    return (
      <div className="flex flex-col gap-3">
        <Lots lots={lots} />
        <Link to="../labels" className="btn btn-secondary h-14 text-lg">
          Print labels
        </Link>
        <Link to={`/rescue/${id}`} className="btn btn-ghost">
          Something is wrong with it
        </Link>
      </div>
    );
  return (
    <Empty
      title="No jars from this batch yet"
      action={
        <Link to="../jar" className="btn btn-primary">
          To the jars
        </Link>
      }
    >
      They come here once they are filled and counted.
    </Empty>
  );
}
