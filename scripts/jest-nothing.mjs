// Stands for files that only a build turns into something.
export default '';
