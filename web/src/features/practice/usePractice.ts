/** Practice units from the server, and a new one taken to the bench. */
import { jobSchema, practiceListSchema } from '@amber-gauge/contract';
import type { PracticeUnitDrawn } from '@amber-gauge/core/training';
import { mapOf } from '@amber-gauge/core/training';
import { familyOf } from '@amber-gauge/core/families';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { call } from '../../shared/api/client.js';
import { useSettings } from '../../shared/api/queries.js';
import { blankFields } from '../intake/JobFieldsForm.js';

/** Units begun, newest first, and lessons ended well. */
export const usePractice = () =>
  useQuery({
    queryKey: ['practice'],
    queryFn: ({ signal }) => call('/practice', practiceListSchema, { signal }),
    staleTime: 0,
  });

/** Takes a unit to the practice bench and opens it. */
export function useBegin() {
  const navigate = useNavigate();
  const mainsVolts = useSettings().data?.mainsVolts ?? 230;
  return useMutation({
    mutationFn: ({ familyId, spec, complaint }: PracticeUnitDrawn) => {
      const blank = blankFields(familyId, mainsVolts);
      const speeds = familyOf(familyId)
        .speeds.map(({ id }) => id)
        .filter((id) => mapOf(familyId)?.machine.settings.includes(id));
      const fields = { ...blank, complaint, ...(speeds.length > 0 ? { speedIds: speeds } : {}) };
      return call('/jobs', jobSchema, {
        method: 'POST',
        body: { id: crypto.randomUUID(), ...fields, practice: spec },
      });
    },
    onSuccess: (job) => navigate(`/job/${job.id}/take-in`),
  });
}
