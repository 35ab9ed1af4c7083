/**
 * Links between units, pools of addresses, services outside the house, and where handsets must work.
 *
 * <pre>{@code
 * "network": {"subnet": "192.168.40.0/24", "poolFrom": "192.168.40.150", "poolTo": "192.168.40.239", "topicRoot": "mill"},
 * "links": {"board-1-ap": {"from": "board-1", "to": "ap", "medium": "WIFI_2G4", "direction": "TWO_WAY"}}
 * }</pre>
 *
 * <p>A link leads from the unit further out to the one nearer the hub.
 */
@NullMarked
package org.skelto.core.plan.network;

import org.jspecify.annotations.NullMarked;
