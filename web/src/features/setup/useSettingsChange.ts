/** Changing settings with their version: a conflict comes back with what is kept now. */
import { settingsSchema, type SettingFields, type Settings } from '@amber-gauge/contract';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError, call } from '../../shared/api/client.js';
import { keys, queryClient } from '../../shared/api/queries.js';

export function useSettingsChange() {
  const [theirs, setTheirs] = useState<Settings | null>(null);
  const change = useMutation({
    mutationFn: (wish: { version: number; fields: Partial<SettingFields> }) =>
      call('/settings', settingsSchema, { method: 'PATCH', body: wish }),
    onSuccess: (settings) => {
      setTheirs(null);
      queryClient.setQueryData(keys.settings, settings);
    },
    onError: (error) => {
      if (error instanceof ApiError && error.code === 'CONFLICT') setTheirs(settingsSchema.parse(error.wire.present));
    },
  });
  return { change, theirs, forget: () => setTheirs(null) };
}
