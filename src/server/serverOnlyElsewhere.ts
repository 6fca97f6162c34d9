// "server-only" outside the framework's own bundle (tests, the door for tablets): there is nothing to guard.
export {}
