import { useStage } from '../../piece/piece-route';
import { BeginMake } from './begin-make';
import { Making } from './making';

/** One action at a time, for full hands. */
export function MakeStage() {
  const { make } = useStage();
  return make ? <Making make={make} key={make.view.id} /> : <BeginMake />;
}
