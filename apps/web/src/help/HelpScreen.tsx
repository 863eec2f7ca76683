import { Box, Paper, Stack, Typography } from '@mui/material';
import { marked, type Token, type Tokens } from 'marked';
import { createElement, Fragment, type ReactNode } from 'react';
import { Link, NavLink, useParams } from 'react-router';
import { guidePages, pictureAt } from './guide.ts';

/** The guide: a page for each step of the work, from the first start to the strike. */
export function HelpScreen() {
  const { page } = useParams();
  const shown = guidePages.find(({ id }) => id === page) ?? guidePages[0];
  if (!shown) throw new Error('There is no page at this address.');
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '230px minmax(0, 760px)' },
        px: { xs: 1.5, sm: 3 },
        pb: 4,
        alignItems: 'start',
      }}
    >
      <Stack component="nav" aria-label="Guide" sx={{ gap: 0.25, order: { xs: 2, md: 0 } }}>
        {guidePages.map(({ id, title }, i) => (
          <Box
            key={id}
            component={NavLink}
            to={`/help/${id}`}
            sx={{
              color: 'text.secondary',
              fontWeight: 650,
              textDecoration: 'none',
              px: 1,
              py: 0.75,
              borderLeft: '3px solid transparent',
              '&.active': { color: 'text.primary', borderColor: 'text.primary' },
            }}
          >
            {i + 1} · {title}
          </Box>
        ))}
      </Stack>
      <Paper variant="outlined" sx={{ p: { xs: 2, sm: 3 } }} component="article">
        {marked.lexer(shown.text).map((token) => (
          <Block key={token.raw} token={token} />
        ))}
      </Paper>
    </Box>
  );
}

/** A paragraph, heading, list or picture of a page. */
function Block({ token }: { token: Token }) {
  switch (token.type) {
    case 'heading':
      return (
        <Typography variant={token.depth === 1 ? 'h1' : 'h2'} sx={{ mb: 1.5 }}>
          {inline(token.tokens)}
        </Typography>
      );
    case 'paragraph': {
      const [only] = token.tokens ?? [];
      if (only?.type === 'image') return <Picture href={only.href} text={only.text} />;
      return <Typography sx={{ my: 1.25, lineHeight: 1.5 }}>{inline(token.tokens)}</Typography>;
    }
    case 'list': {
      const { ordered, items } = token as Tokens.List;
      return (
        <Box component={ordered ? 'ol' : 'ul'} sx={{ my: 1.25, pl: 3, '& li': { mb: 1, lineHeight: 1.5 } }}>
          {items.map((item) => (
            <li key={item.raw}>
              {inline(item.tokens.flatMap((one) => ('tokens' in one ? (one.tokens ?? []) : [one])))}
            </li>
          ))}
        </Box>
      );
    }
    default:
      return null;
  }
}

function Picture({ href, text }: { href: string; text: string }) {
  return (
    <Box
      component="img"
      src={pictureAt(href)}
      alt={text}
      sx={{ display: 'block', width: '100%', border: 1, borderColor: 'divider', borderRadius: 2, my: 2 }}
    />
  );
}

/** Words with what is strong, leaning, typed or a link to another page of the guide. */
const inline = (tokens: readonly Token[] = []): ReactNode =>
  createElement(Fragment, {}, ...tokens.map(words));

function words(token: Token): ReactNode {
  switch (token.type) {
    case 'strong':
      return <strong>{inline(token.tokens)}</strong>;
    case 'em':
      return <em>{inline(token.tokens)}</em>;
    case 'codespan':
      return <code>{token.text}</code>;
    case 'link':
      return <Link to={`/help/${String(token.href).replace(/\.md$/, '')}`}>{inline(token.tokens)}</Link>;
    default:
      return 'text' in token ? token.text : null;
  }
}
