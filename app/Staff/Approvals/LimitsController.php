<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** What each role may give away and allow others: the owner's to set. */
final class LimitsController
{
    private const COLUMNS = ['per_document', 'per_original', 'per_day', 'approves'];

    public function __construct(private readonly House $house, private readonly Limits $limits)
    {
    }

    public function show(Request $request): View
    {
        $role = Role::tryFrom($request->string('role')->value()) ?? Role::Clerk;
        $rows = [];

        foreach (LimitMatter::cases() as $matter) {
            $limit = $this->limits->of($role, $matter);
            $rows[$matter->value] = array_map(self::written(...), [
                'per_document' => $limit->perDocument,
                'per_original' => $limit->perOriginal,
                'per_day' => $limit->perDay,
                'approves' => $limit->approves,
            ]);
        }

        return view('staff.limits', [
            'role' => $role,
            'roles' => Role::cases(),
            'matters' => LimitMatter::cases(),
            'rows' => $rows,
            'house' => $this->house,
        ]);
    }

    /** All of one role, or nothing: what cannot be read is said beside its field. */
    public function save(Request $request, Role $role, #[CurrentUser] Staff $by): RedirectResponse
    {
        [$rows, $wrong] = [[], []];

        foreach (LimitMatter::cases() as $matter) {
            $row = ['role' => $role->value, 'matter' => $matter->value];

            foreach (self::COLUMNS as $column) {
                try {
                    $row[$column] = $this->typed($request->string("{$matter->value}.{$column}")->value());
                } catch (Refused $refused) {
                    $wrong["{$matter->value}.{$column}"] = $refused->getMessage();
                }
            }

            $rows[] = $row;
        }

        if ($wrong !== []) {
            throw ValidationException::withMessages($wrong);
        }

        DB::transaction(function () use ($rows, $role, $by): void {
            $before = $this->kept($role);
            DB::table('role_limits')->upsert($rows, ['role', 'matter'], self::COLUMNS);
            $changed = array_keys(array_diff_assoc($this->kept($role), $before));
            $changed === []
                || SecurityLog::write(
                    SecurityEvent::LimitChanged,
                    $by,
                    "{$role->label()}: "
                        .implode(
                            ', ',
                            array_map(
                                fn (string $matter): string => "{$matter} {$this->kept($role)[$matter]}",
                                $changed,
                            ),
                        ),
                );
        });

        return redirect()
            ->route('limits', ['role' => $role->value])
            ->with('done', "The limits of every {$role->value} are kept. They hold from now on.");
    }

    /** @return array<string, string> the limits of a role as words, by matter */
    private function kept(Role $role): array
    {
        $words = [];

        foreach (DB::table('role_limits')->where('role', $role->value)->orderBy('matter')->get() as $row) {
            $words[(string) $row->matter] = implode(
                '/',
                array_map(static fn (string $column): string => (string) ($row->{$column} ?? 'any'), self::COLUMNS),
            );
        }

        return $words;
    }

    /** Empty: any amount. */
    private function typed(string $typed): ?Money
    {
        return trim($typed) === ''
            ? null
            : $this->house->fitting(Money::of(TypedNumber::plain(trim($typed)), $this->house->currency()));
    }

    private static function written(?Money $limit): string
    {
        return $limit?->toString() ?? '';
    }
}
