import styled from 'styled-components';
import { Button } from '../../ui/Button';
import { fieldBox } from '../../ui/field';
import { OrderPart, type Order } from './part';

const Time = styled.input`
  ${fieldBox}
  font-size: 20px;
  font-weight: 600;
`;

/** When it is to be on the table. */
export function TableTime({ plan, edit }: Pick<Order, 'plan' | 'edit'>) {
  return (
    <OrderPart title="On the table when" text={plan.tableTime ? `at ${plan.tableTime}` : 'when it is done'}>
      {(close) => (
        <>
          <label htmlFor="table-time">At</label>
          <Time
            id="table-time"
            type="time"
            value={plan.tableTime ?? ''}
            onChange={(e) => {
              const t = e.target.value;
              edit('table', (now) => ({ ...now, tableTime: /^\d\d:\d\d$/.test(t) ? t : undefined }));
            }}
          />
          <Button
            onPress={() => {
              edit('table', (now) => ({ ...now, tableTime: undefined }));
              close();
            }}
          >
            When it is done
          </Button>
        </>
      )}
    </OrderPart>
  );
}
