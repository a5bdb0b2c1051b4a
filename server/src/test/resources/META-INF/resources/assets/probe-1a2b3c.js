/* a file of a build: its name holds a hash */
