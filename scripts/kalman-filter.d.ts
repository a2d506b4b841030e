declare module 'kalman-filter' {
	const all: unknown;
	export default all;
}
