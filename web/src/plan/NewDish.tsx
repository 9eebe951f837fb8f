import { useQueryClient } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { Catalog, Plan, PlanInput } from '../api/client';
import { createPlan } from '../api/queries';
import { Button } from '../ui/Button';
import { complain } from '../ui/toast';

const firstDish = ({ usual }: Catalog, fryerId: string): PlanInput => ({
  name: 'New dish',
  fryerId,
  load: usual.load,
  coat: usual.coat,
  program: usual.program,
});

function useAdd() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return async (input: PlanInput) => {
    try {
      const plan = await createPlan(input);
      queries.setQueryData<Plan[]>(['plans'], (all) => [plan, ...(all ?? [])]);
      await navigate(`/plan/${plan.id}`);
      window.scrollTo({ top: 0 });
    } catch (cause) {
      complain(cause);
    }
  };
}

export function NewDish({ catalog, fryerId }: { catalog: Catalog; fryerId: string }) {
  const add = useAdd();
  return (
    <Button onPress={() => void add(firstDish(catalog, fryerId))}>
      <Plus size={18} aria-hidden /> New dish
    </Button>
  );
}
