<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Proves the approvals: each covers what its document needed it for; that is what the document says, to the piece and
 * the cent; nobody approved what they asked for or posted themselves; and nothing came back without a receipt that
 * nobody allowed.
 */
final class ProveApprovals implements Check
{
    public function prove(Proof $proof): void
    {
        $rows = DB::table('document_approvals as k')
            ->join('approvals as a', 'a.id', '=', 'k.approval_id')
            ->join('documents as d', 'd.id', '=', 'k.document_id')
            ->orderBy('k.document_id')
            ->get([
                'k.document_id', 'k.place', 'k.needed', 'a.id', 'a.what', 'a.figures', 'a.asked_by', 'a.approved_by',
                'd.label', 'd.staff_id', 'd.total',
            ]);

        foreach ($rows as $row) {
            $kind = ApprovalKind::tryFrom((string) $row->what);

            if ($kind === null || $row->figures === null) {
                $proof->fault("{$row->label}: approval {$row->id} says nothing of what it covers");

                continue;
            }

            $needed = Scope::fromJson($kind, (string) $row->needed);
            $beyond = Scope::fromJson($kind, (string) $row->figures)->beyond($needed);
            $beyond === []
                || $proof->fault(
                    "{$row->label}: approval {$row->id} does not cover "
                        .implode(', ', $beyond)
                        .' of '
                        .$row->place,
                );
            ($row->asked_by !== $row->approved_by && $row->staff_id !== $row->approved_by)
                || $proof->fault("{$row->label}: approval {$row->id} was given by who asked for it");
            $this->asPosted($proof, $row, $needed);
        }

        $blind = 'SELECT d.label, l.position FROM document_lines l JOIN documents d ON d.id = l.document_id WHERE '
            ."l.direction = 'back' AND l.origin_document_id IS NULL AND d.kind = 'credit_note' AND l.approval_id "
            .'IS NULL';

        foreach (DB::select($blind) as $row) {
            $proof->fault("{$row->label} line {$row->position}: it came back without a receipt, and nobody allowed it");
        }

        $proof->checked('approvals that cover what they were needed for', $rows->count());
    }

    /** What it was needed for is what the line says. */
    private function asPosted(Proof $proof, stdClass $row, Scope $needed): void
    {
        $position = str_starts_with((string) $row->place, 'line:') ? (int) substr((string) $row->place, 5) : 0;
        $line = $position === 0
                ? null
                : DB::table('document_lines')
                    ->where('document_id', $row->document_id)
                    ->where('position', $position)
                    ->first();

        if ($line === null) {
            return;
        }

        $said = match ($needed->kind) {
            ApprovalKind::BelowFloor, ApprovalKind::OneOff => $needed->pieces !== null
                && $needed->pieces['net'] === (int) $line->net
                && self::same($needed->pieces['quantity'], (string) $line->quantity),
            ApprovalKind::OutsidePolicy, ApprovalKind::WithoutOriginal => self::same(
                $needed->most['money'] ?? '',
                (string) $line->total,
            ) && self::same($needed->most['quantity'] ?? '', (string) $line->quantity),
            default => true,
        };
        $said
            || $proof->fault(
                "{$row->label} line {$position}: approval {$row->id} was needed for other figures than stand there",
            );
    }

    private static function same(string $one, string $other): bool
    {
        return is_numeric($one) && is_numeric($other) && bccomp($one, $other, 4) === 0;
    }
}
