import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, FileJson, Printer, ScrollText } from 'lucide-react';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { ask, client } from '../api/client';
import { place } from '../api/place';
import { at } from '../theme/tokens';
import { Button, ButtonLink } from '../ui/Button';
import { Blank, Card, Page, Quiet, Title } from '../ui/layout';

/** What of a schema.org Recipe is read on the page. */
interface Recipe {
  name: string;
  recipeYield: string;
  prepTime: string;
  cookTime: string;
  recipeIngredient: string[];
  recipeInstructions: { '@type': 'HowToStep' | 'HowToTip'; text: string; timeRequired?: string }[];
  nutrition: Record<string, string>;
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  h1 {
    flex: 1;
    min-width: min(100%, 280px);
  }
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
  gap: 16px;
  margin-top: 14px;
  align-items: start;
  ${at.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
  h2 {
    font-size: 18px;
    margin-bottom: 8px;
  }
  ul,
  ol {
    margin: 0;
    padding-left: 22px;
    display: grid;
    gap: 6px;
  }
  ol small {
    color: var(--quiet);
    white-space: nowrap;
  }
  @media print {
    grid-template-columns: 1fr 2fr;
    font-size: 15px;
    section {
      padding: 0;
    }
  }
`;

const Serving = styled.p`
  margin-top: 14px;
`;

const Care = styled.p`
  margin-top: 12px;
  padding: 10px 12px;
  border-radius: 10px;
  border: 1px solid var(--heat);
`;

/** "PT1H11M" in words. */
function spoken(iso: string): string {
  const [, hours, mins] = /^PT(?:(\d+)H)?(?:(\d+)M)?$/.exec(iso) ?? [];
  return [hours ? `${hours} h` : '', mins && mins !== '0' ? `${mins} min` : ''].filter(Boolean).join(' ') || 'no time';
}

const parts: [string, string][] = [
  ['servingSize', ''],
  ['calories', ''],
  ['fatContent', 'fat'],
  ['carbohydrateContent', 'carbohydrate'],
  ['proteinContent', 'protein'],
  ['sodiumContent', 'sodium'],
];

/** A dish as a recipe: to be read, printed, and taken away in open forms. */
export default function RecipePage() {
  const { id = '' } = useParams();
  const recipe = useQuery({
    queryKey: ['recipe', id],
    queryFn: async () =>
      (await ask(
        client.GET('/plans/{id}/recipe', { params: { path: { id }, query: { as: 'jsonld' } } }),
      )) as unknown as Recipe,
    staleTime: 0,
  });
  const name = recipe.data?.name;
  useEffect(() => {
    document.title = `${name ?? 'Recipe'} · Velocrustum`;
  }, [name]);
  if (recipe.isError && recipe.data === undefined)
    return (
      <Page>
        <Blank title="No recipe comes of this dish">
          <Quiet>{recipe.error.message}</Quiet>
          <Link to={`/plan/${id}`}>To its plan</Link>
        </Blank>
      </Page>
    );
  if (!recipe.data)
    return (
      <Page>
        <Quiet role="status">Writing it…</Quiet>
      </Page>
    );
  const r = recipe.data;
  const file = (as: string) => `${place}/api/v1/plans/${id}/recipe?as=${as}`;
  const tips = r.recipeInstructions.filter((s) => s['@type'] === 'HowToTip');
  return (
    <Page>
      <p className="no-print">
        <Link to={`/plan/${id}`}>
          <ArrowLeft size={15} aria-hidden /> Its plan
        </Link>
      </p>
      <Head>
        <Title>{r.name}</Title>
        <Button onPress={() => window.print()}>
          <Printer size={17} aria-hidden /> Print
        </Button>
        <ButtonLink className="no-print" href={file('markdown')} download={`${r.name || 'dish'}.md`}>
          <ScrollText size={17} aria-hidden /> Markdown
        </ButtonLink>
        <ButtonLink className="no-print" href={file('jsonld')} download={`${r.name || 'dish'}.json`}>
          <FileJson size={17} aria-hidden /> JSON-LD
        </ButtonLink>
      </Head>
      <Quiet>
        {r.recipeYield} · {spoken(r.prepTime)} of preparing and waiting · {spoken(r.cookTime)} in the fryer
      </Quiet>
      <Columns>
        <Card aria-label="Ingredients">
          <h2>Ingredients</h2>
          <ul>
            {r.recipeIngredient.map((i) => (
              <li key={i}>{i}</li>
            ))}
          </ul>
        </Card>
        <Card aria-label="Steps">
          <h2>Steps</h2>
          <ol>
            {r.recipeInstructions
              .filter((s) => s['@type'] === 'HowToStep')
              .map((s) => (
                <li key={s.text}>
                  {s.text} {s.timeRequired ? <small>{spoken(s.timeRequired)}</small> : null}
                </li>
              ))}
          </ol>
          {tips.map((t) => (
            <Care key={t.text}>{t.text}</Care>
          ))}
        </Card>
      </Columns>
      <Serving>
        A serving:{' '}
        {parts
          .filter(([key]) => r.nutrition[key])
          .map(([key, what]) => `${r.nutrition[key] ?? ''} ${what}`.trim())
          .join(', ')}
        .
      </Serving>
    </Page>
  );
}
