import type { BookingFields, BookingStanding } from '@dossier/contract';
import type { z } from 'zod';
import { api } from '@/lib/api';

export const bookingApi = api.injectEndpoints({
  endpoints: (build) => ({
    booking: build.query<BookingStanding, void>({ query: () => '/booking', providesTags: ['Booking', 'OwnCard'] }),
    saveBooking: build.mutation<void, z.input<typeof BookingFields>>({
      query: (body) => ({ url: '/booking', method: 'PUT', body }),
      invalidatesTags: ['Booking'],
    }),
    callOff: build.mutation<void, string>({
      query: (id) => ({ url: `/bookings/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Booking', 'Task', 'Today'],
    }),
  }),
});

export const { useBookingQuery, useSaveBookingMutation, useCallOffMutation } = bookingApi;
