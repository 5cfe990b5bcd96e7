import type { DeviceMade, Devices, DeviceSettings, NewDevice } from '@dossier/contract';
import { api } from '@/lib/api';

export const devicesApi = api.injectEndpoints({
  endpoints: (build) => ({
    devices: build.query<Devices, void>({ query: () => '/devices', providesTags: ['Device'] }),
    addDevice: build.mutation<DeviceMade, NewDevice>({
      query: (body) => ({ url: '/devices', method: 'POST', body }),
      invalidatesTags: ['Device'],
    }),
    removeDevice: build.mutation<void, string>({
      query: (id) => ({ url: `/devices/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Device'],
    }),
    setDeviceSettings: build.mutation<void, DeviceSettings>({
      query: (body) => ({ url: '/device-settings', method: 'PUT', body }),
      invalidatesTags: ['Device'],
    }),
  }),
});

export const { useDevicesQuery, useAddDeviceMutation, useRemoveDeviceMutation, useSetDeviceSettingsMutation } = devicesApi; // prettier-ignore
