import { useStage } from '../../../piece/piece/stage-context';
import { Loading } from '../../../../ui/shell/states';
import { BeginMake } from './begin-make';
import { Making } from './making';

/** One action at a time, for full hands. */
export function MakeStage() {
  const { make, makeComes } = useStage();
  if (makeComes) return <Loading what="Fetching the plan" />;
  return make ? <Making make={make} key={make.view.id} /> : <BeginMake />;
}
