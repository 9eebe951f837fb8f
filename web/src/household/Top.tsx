import { Link, NavLink, useLocation, useMatch } from 'react-router';
import styled from 'styled-components';
import { useGoingOn } from '../api/live';
import { place } from '../api/place';
import { at, type } from '../theme/tokens';
import { Button } from '../ui/Button';
import { leave } from './demo';
import { HouseholdSettings } from './HouseholdSettings';
import { Shortcuts } from './Shortcuts';
import { stays } from './Stays';

const Bar = styled.header`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 10px 22px;
  max-width: 1320px;
  margin: 0 auto;
  padding: 9px 28px;
  ${at.phone} {
    padding: 8px 14px 6px;
  }
`;

const Name = styled(Link)`
  display: flex;
  align-items: center;
  gap: 8px;
  font: 700 21px/1 ${type.loud};
  letter-spacing: -0.01em;
  text-decoration: none;
`;

const Views = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  ${at.narrow} {
    order: 3;
    width: 100%;
  }
  ${at.phone} {
    position: fixed;
    z-index: 20;
    inset: auto 0 0;
    flex-wrap: nowrap;
    overflow-x: auto;
    justify-content: space-around;
    justify-content: safe space-around;
    padding: 4px 4px calc(4px + env(safe-area-inset-bottom));
    background: var(--paper);
    border-top: 1px solid var(--line);
  }
`;

const View = styled(NavLink)`
  padding: 8px 13px;
  min-height: 38px;
  border-radius: 9px;
  font-weight: 500;
  color: var(--quiet);
  text-decoration: none;
  &:hover {
    color: var(--ink);
  }
  &.active {
    background: var(--ink);
    color: var(--paper);
  }
  ${at.phone} {
    display: grid;
    place-items: center;
    padding: 6px clamp(3px, 1.5vw, 9px);
    min-height: 48px;
    font-size: clamp(12.5px, 3.5vw, 15px);
    white-space: nowrap;
  }
`;

const Spring = styled.div`
  flex: 1;
`;

const Dot = styled.span`
  display: inline-block;
  width: 8px;
  height: 8px;
  margin-left: 7px;
  border-radius: 4px;
  background: var(--lemon);
  outline: 1px solid var(--ink);
  vertical-align: 2px;
`;

const Shown = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: center;
  gap: 4px 14px;
  padding: 6px 14px;
  background: var(--ink);
  color: var(--paper);
  font-size: 14.5px;
  button {
    color: var(--ink);
  }
`;

function Mark() {
  return (
    <svg width="26" height="22" viewBox="0 0 32 28" aria-hidden>
      <path d="M3 23c10 0 11-15 26-15" fill="none" stroke="var(--core)" strokeWidth="3.4" strokeLinecap="round" />
      <path d="M3 12c8-5 12 4 26-8" fill="none" stroke="var(--crust)" strokeWidth="3.4" strokeLinecap="round" />
    </svg>
  );
}

/** The row above every view. */
export function Top() {
  const cooking = useMatch('/cook');
  const { pathname } = useLocation();
  // The dish goes along from its plan to its bench and its pan.
  const there = useMatch('/:view/:id');
  const dish = there && ['plan', 'bench', 'pan'].includes(there.params.view ?? '') ? `/${there.params.id ?? ''}` : '';
  const live = useGoingOn(cooking ? 20_000 : 10_000);
  return (
    <>
      {place ? (
        <Shown className="no-print">
          A made-up household to look around in. Nothing here is yours, and it is gone when you leave.
          <Button onPress={() => void leave()}>Back to your own</Button>
        </Shown>
      ) : null}
      <Bar className="no-print">
        <a className="skip" href="#page">
          To the page
        </a>
        <Name to="/plan">
          <Mark />
          Velocrustum
        </Name>
        <Views aria-label="Views">
          <View to={`/plan${dish}`}>Plan</View>
          <View to={`/bench${dish}`}>Bench</View>
          <View to={`/pan${dish}`}>Pan</View>
          <View to="/supper">Supper</View>
          <View to="/cook">
            Cook
            {live.data?.cook || live.data?.evening ? (
              <>
                <Dot aria-hidden />
                <span className="quietly">, one is going on</span>
              </>
            ) : null}
          </View>
          <View to="/logbook">Logbook</View>
          <View to="/fryers" className={stays.includes(pathname) ? 'active' : ''}>
            Kitchen
          </View>
        </Views>
        <Spring />
        <Shortcuts />
        <HouseholdSettings />
      </Bar>
    </>
  );
}
