// The widgets carry what is said of one class over to another: nothing is said of any.
export default (target) => target;
