"""What many write by hand: every workbook of a folder into one table, with the file each row came from."""

import glob
import sys
import warnings

import pandas

warnings.simplefilter("ignore")
folder, target = sys.argv[1:]
parts = []
for path in sorted(glob.glob(folder + "/*.xlsx")):
    part = pandas.read_excel(path)
    part["Source"] = path
    parts.append(part)
master = pandas.concat(parts, ignore_index=True)
master.to_csv(target, index=False)
print(len(master), "rows")
