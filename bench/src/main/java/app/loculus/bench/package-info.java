/** Speed of the core at the sizes the house has goals for. Run with {@code ./loculus bench}. */
package app.loculus.bench;
