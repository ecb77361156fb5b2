import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { FAMILIES } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { planFor } from '../../../../../packages/core/test/boxes.js';
import { roleGroups, rolesToFind, sameRoles, spokenRoles } from './role-groups';

const shown = FAMILIES.map((family) => {
  const { choices } = planFor(family, must(animalById(family.example), family.example));
  const nameOf = (id: string) =>
    must(
      family.roles.find((role) => role.id === id),
      id,
    ).label;
  return { family, choices, nameOf, groups: roleGroups(family, choices, nameOf) };
});

describe('panels that wood is found for together', () => {
  test('of every family: each panel is in a group beside all boards, and no group is named twice', () => {
    for (const { family, choices, groups } of shown) {
      const found = groups.slice(1).flatMap(({ roles }) => roles);
      for (const { id } of rolesToFind(family, choices))
        expect([family.id, found]).toEqual([family.id, expect.arrayContaining([id])]);
      const labels = groups.map(({ label }) => label);
      expect([family.id, new Set(labels).size]).toEqual([family.id, labels.length]);
    }
  });

  test('are spoken of by their group, by the one panel, or by how many they are', () => {
    for (const { groups, nameOf } of shown) {
      for (const { roles, spoken } of groups.slice(2))
        expect(spokenRoles(roles, groups, nameOf)).toBe(spoken);
      const body = must(groups[1], 'the body').roles;
      if (body.length > 3) expect(spokenRoles(body.slice(0, 2), groups, nameOf)).toBe('2 panels');
    }
    expect(sameRoles(['a', 'b'], ['b', 'a'])).toBe(true);
    expect(sameRoles(['a'], ['a', 'b'])).toBe(false);
  });
});
