import { NavLink } from 'react-router';
import styled from 'styled-components';

const Row = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 2px 0 10px;
  a {
    display: flex;
    align-items: center;
    min-height: 44px;
    padding: 4px 13px;
    border: 1px solid var(--edge);
    border-radius: 10px;
    background: var(--surface);
    font-weight: 500;
    text-decoration: none;
  }
  a.active {
    background: var(--ink);
    color: var(--paper);
  }
`;

/** Where the things are that stay from one evening to the next. */
export const stays = ['/fryers', '/pantry', '/household'];

/** The row above each of them. */
export function Stays() {
  return (
    <Row aria-label="Kitchen" className="no-print">
      <NavLink to="/fryers">Fryers</NavLink>
      <NavLink to="/pantry">Pantry</NavLink>
      <NavLink to="/household">Household</NavLink>
    </Row>
  );
}
