using System.Runtime.CompilerServices;

// Reports are large values on the stack; clearing them before they are filled took as long as reckoning them. C# still
// demands that every variable is assigned before it is read.
[module: SkipLocalsInit]
