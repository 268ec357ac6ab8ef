import { Box, Typography } from '@mui/material';
import { Link } from 'react-router';
import { answerSaid, latestAnswers, useFrozenOf } from '../../sheets/frozen';
import { when } from '../../ui/format';
import { useProduction } from './productionStore';

/** What those who were sent its frame say of a shot: of each person the last word. */
export function ShotAnswers({ shotId }: { shotId: string }) {
  const id = useProduction((s) => s.id);
  const answers = latestAnswers(useFrozenOf(id), shotId);
  return answers.length === 0 ? null : (
    <Box component="ul" aria-label="Answers" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.5 }}>
      {answers.map((answer) => (
        <Typography key={answer.id} component="li" sx={{ fontSize: 13, lineHeight: 1.3, overflowWrap: 'anywhere' }}>
          <b>{answerSaid(answer)}</b>{' '}
          <Box component={Link} to={`/brief/${id}/sheets?sheet=${answer.sheet.id}`} sx={{ color: 'text.secondary' }}>
            {answer.name}, {when(answer.at)}
          </Box>
        </Typography>
      ))}
    </Box>
  );
}
