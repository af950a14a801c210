"""Writes water.json: density and specific heat of liquid water at 3 bar absolute by IAPWS-IF97.

Run with Debian's python3 and python3-iapws:  /usr/bin/python3 core/physics/water/golden/water.py
"""
import json
from pathlib import Path

from iapws import IAPWS97

rows = []
for celsius in range(5, 100, 5):
    state = IAPWS97(T=celsius + 273.15, P=0.3)
    rows.append({"celsius": celsius, "density": round(state.rho, 4), "specificHeat": round(state.cp * 1000, 3)})
check = IAPWS97(T=300, P=3)  # verification value of IAPWS-IF97 region 1: v = 0.00100215168 m3/kg
assert abs(check.v - 0.00100215168) < 1e-11
Path(__file__).with_suffix(".json").write_text(json.dumps(rows, indent=1) + "\n")
