import type { Certificate } from '@/core/catalogue';
import type { CodeProfile, Enclosure } from '@/core/schedule';

type System = CodeProfile['system'];

/** Concepts and places that a certificate names, in the words of the job's profile. */
export function certifiedWords(certificate: Certificate, system: System): string {
  const concepts = certificate.concepts.join(', ');
  if (system === 'divisions') {
    const places = (certificate.divisions ?? []).map((d) => `class ${d.hazardClass} division ${d.division}`);
    return `${concepts}; ${places.join(', ') || 'no class or division'}`;
  }
  return `${concepts}; zones ${certificate.zones.join(', ') || 'none'}`;
}

/** Groups of a certificate that count at a place, and those of the place. */
export function groupsOf(
  certificate: Certificate,
  enclosure: Enclosure,
  system: System,
): { readonly takes: string; readonly has: string } {
  if (system !== 'divisions')
    return {
      takes: [certificate.gasGroup, certificate.dustGroup].filter(Boolean).join(', ') || 'none',
      has: [enclosure.gasGroup, enclosure.dustGroup].filter(Boolean).join(', ') || 'none given',
    };
  const { division } = enclosure;
  const listed = (certificate.divisions ?? []).filter(
    (d) => d.hazardClass === enclosure.hazardClass && (division === undefined || d.division <= division),
  );
  return {
    takes: [...new Set(listed.flatMap((d) => d.groups))].join(', ') || 'none',
    has: enclosure.classGroup ?? 'none given',
  };
}
