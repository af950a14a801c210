"""The heat balance of a heating run at a held rate, by an implicit Runge-Kutta method for stiff equations (scipy's Radau).

Reads one JSON object from standard input: the parameters, the state to begin with and the times wanted; writes the
temperatures at those times and the milliseconds it took. Needs Debian's python3-scipy.
"""
import json
import sys
import time

from scipy.integrate import solve_ivp

q = json.load(sys.stdin)


def specific_heat(t):
    return 4213.9129 + t * (-2.33658906 + t * (5.16348469e-2 + t * (-4.72269843e-4 + t * 1.93295725e-6)))


def efficiency(back):
    table, step = q["efficiency"], q["efficiencyStep"]
    place = min(max(back / step, 0), len(table) - 1.001)
    index = int(place)
    return table[index] + (place - index) * (table[index + 1] - table[index])


def balance(_t, y):
    exchanger, radiator = y
    over = q["flow"] * specific_heat(exchanger) * (exchanger - radiator)
    emitted = q["output"] * max((radiator - q["room"]) / 50, 0) ** 1.3
    burner = q["input"] * efficiency(radiator)
    return [(burner - over - 4 * (exchanger - q["room"])) / q["exchangerMass"], (over - emitted) / q["radiatorMass"]]


began = time.perf_counter()
solved = solve_ivp(balance, (q["times"][0], q["times"][-1]), q["begin"], method="Radau", t_eval=q["times"], rtol=1e-8, atol=1e-8)
print(json.dumps({"milliseconds": (time.perf_counter() - began) * 1000, "exchanger": list(solved.y[0]), "radiator": list(solved.y[1])}))
