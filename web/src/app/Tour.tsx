import { Box, Button, IconButton, Typography } from '@mui/material';
import { useNavigate } from 'react-router';
import { CloseIcon } from '../ui/icons';
import { endTour, tourTo, useTour } from './tourStore';

const steps: { title: string; text: string; to: string; go: string }[] = [
  {
    title: 'Shelf: what you have',
    text: 'Add a body by its papers and a lens by its usual line, or bring files in. The demo’s gear is there to try things with; one press puts it away.',
    to: '/shelf',
    go: 'To the Shelf',
  },
  {
    title: 'Bench: rigs side by side',
    text: 'The frame each rig gives, its parts to scale, and every figure with its working: press one to see where it comes from.',
    to: '/bench',
    go: 'To the Bench',
  },
  {
    title: 'Production: shots and places',
    text: 'Say what is in the picture, how tight, and where. What fits is told at once, with what would help where nothing does.',
    to: '/brief',
    go: 'To a production',
  },
  {
    title: 'Work: all of it, found by typing',
    text: 'Everything saves by itself. Ctrl + K finds shots, rigs, gear and commands from anywhere; ? lists the keys, and this tour.',
    to: '/work',
    go: 'To the work',
  },
];

/** Four steps for a first visit, beside what one does; skipped with a press, and found again among the keys. */
export function Tour() {
  const step = useTour((s) => s.step);
  const navigate = useNavigate();
  const shown = step === null ? undefined : steps[step];
  if (step === null || !shown) {
    return null;
  }
  const isLast = step === steps.length - 1;
  return (
    <Box
      component="aside"
      aria-label="Tour"
      sx={{
        position: 'fixed',
        zIndex: 8,
        right: { xs: 8, md: 16 },
        left: { xs: 8, sm: 'auto' },
        bottom: { xs: 62, md: 16 },
        width: { sm: 340 },
        p: 1.5,
        pt: 0.5,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'primary.main',
        borderRadius: 1,
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography component="h2" sx={{ flex: 1, fontSize: 15, fontWeight: 650 }}>
          {shown.title}
        </Typography>
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          {step + 1} of {steps.length}
        </Typography>
        <IconButton aria-label="Skip the tour" onClick={endTour}>
          <CloseIcon />
        </IconButton>
      </Box>
      <Typography sx={{ fontSize: 14, lineHeight: 1.4 }}>{shown.text}</Typography>
      <Box sx={{ display: 'flex', gap: 0.5, mt: 1 }}>
        <Button variant="outlined" onClick={() => void navigate(shown.to)}>
          {shown.go}
        </Button>
        <Button sx={{ ml: 'auto' }} disabled={step === 0} onClick={() => tourTo(step - 1)}>
          Back
        </Button>
        <Button variant="contained" onClick={() => (isLast ? endTour() : tourTo(step + 1))}>
          {isLast ? 'Done' : 'Next'}
        </Button>
      </Box>
    </Box>
  );
}
