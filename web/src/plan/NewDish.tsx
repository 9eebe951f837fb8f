import { useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { Catalog, PlanInput } from '../api/client';
import { addPlan } from '../api/queries';
import { bare } from '../dish/edits';
import { Button } from '../ui/Button';

const firstDish = ({ usual }: Catalog, fryerId: string): PlanInput => ({
  name: 'New dish',
  fryerId,
  lots: [{ load: usual.load, coat: usual.coat }],
  bench: bare,
  program: usual.program,
});

function useAdd() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return (input: PlanInput) => {
    void navigate(`/plan/${addPlan(queries, input).id}`);
    window.scrollTo({ top: 0 });
  };
}

export function NewDish({ catalog, fryerId }: { catalog: Catalog; fryerId: string }) {
  const add = useAdd();
  return (
    <Button onPress={() => add(firstDish(catalog, fryerId))}>
      <Plus size={18} aria-hidden /> New dish
    </Button>
  );
}
