import styled from 'styled-components';
import { fieldBox } from '../ui/field';

/** A day and a time, to be set. */
export const When = styled.input`
  ${fieldBox}
  font-size: 18px;
  font-weight: 600;
  width: 100%;
`;
