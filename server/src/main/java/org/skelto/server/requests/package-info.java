/**
 * What a request about a plan comes down to, worked out in one place: who asks, which plan, what they may do, and what follows
 * from it. A handler names the argument that it needs:
 *
 * <ul>
 *   <li>{@link org.skelto.server.requests.OpenPlan} to look at a plan or ask what an edit would change;
 *   <li>{@code @Changes OpenPlan} to change what is kept beside its document;
 *   <li>{@link org.skelto.server.plans.PlanEdit} to change the document itself;
 *   <li>{@link org.skelto.server.people.Person} where there is no plan yet.
 * </ul>
 *
 * <p>The plan is the one whose id is in the path as {@code {id}}.
 */
package org.skelto.server.requests;
