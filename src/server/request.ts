// Pages and routes name the request that they work for; the data layer writes it into its statements.
export { inRequest, isRequestId } from '@/data';
