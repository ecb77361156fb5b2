import type { DueVisit } from '@spare-knot/core/trail';
import { useNotice } from '../ui/notice';
import { OverPage } from '../ui/over-page';
import { useVisits } from './use-visits';
import { type Visited, VisitForm } from './visit-form';
import { animalName } from './words';

/** A visit is told over the page it is asked from. */
export function VisitDialog({
  box,
  due,
  onClose,
}: {
  box: Visited | null;
  due: DueVisit | null;
  onClose: () => void;
}) {
  const { record } = useVisits();
  const say = useNotice();
  return (
    <OverPage
      title={
        <>
          Visit to box {box?.number}
          <span className="block text-base font-normal text-soft">
            {box && animalName(box.animal)}
          </span>
        </>
      }
      isOpen={box !== null}
      onClose={onClose}
    >
      {box && (
        <VisitForm
          box={box}
          due={due}
          onTold={(visit, photo) => {
            if (!record(visit, photo)) return false;
            say(`Visit to box ${box.number} recorded.`);
            onClose();
            return true;
          }}
        />
      )}
    </OverPage>
  );
}
