<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** What the shop takes back, and under which conditions. */
final class RulesController
{
    public function __construct(private readonly House $house)
    {
    }

    public function show(): View
    {
        return view('returns.rules', [
            'policies' => ReturnPolicy::query()->orderBy('name')->get(),
            'departments' => Department::query()->orderBy('name')->get(),
            'shop' => $this->house->shop(),
            'house' => $this->house,
        ]);
    }

    public function save(Request $request, ?ReturnPolicy $policy = null): RedirectResponse
    {
        $request->validate(
            [
                'name' => ['required', 'string', 'max:60', Rule::unique('return_policies', 'name')->ignore($policy)],
                'days' => ['nullable', 'integer', 'min:0', 'max:3650'],
                'fee_percent' => ['nullable', 'string', 'max:12'],
                'words' => ['nullable', 'string', 'max:255'],
            ],
            ['name.unique' => 'There is a rule with this name already.'],
        );
        ($policy ?? new ReturnPolicy)
            ->forceFill([
                'name' => $request->string('name')->trim()->value(),
                'returnable' => $request->boolean('returnable'),
                'days' => $request->filled('days') ? $request->integer('days') : null,
                'fee_percent' => self::percent($request->string('fee_percent')->value()),
                'words' => $request->string('words')->trim()->value(),
            ])
            ->save();

        return redirect()
            ->route('return-rules')
            ->with('done', 'The rule is kept. It holds from now on, also for what was sold before.');
    }

    public function settings(Request $request): RedirectResponse
    {
        $request->validate([
            'return_policy_id' => ['nullable', 'integer', 'exists:return_policies,id'],
            'blind_days' => ['required', 'integer', 'min:1', 'max:3650'],
            'gift_card_months' => ['nullable', 'integer', 'min:1', 'max:240'],
            'departments' => ['array'],
            'departments.*' => ['nullable', 'integer', 'exists:return_policies,id'],
        ]);
        DB::transaction(function () use ($request): void {
            $this->house
                ->shop()
                ->forceFill([
                    'return_policy_id' => $request->filled('return_policy_id')
                        ? $request->integer('return_policy_id')
                        : null,
                    'blind_days' => $request->integer('blind_days'),
                    'gift_card_months' => $request->filled('gift_card_months')
                        ? $request->integer('gift_card_months')
                        : null,
                ])
                ->save();

            foreach ($request->array('departments') as $department => $policy) {
                Department::query()
                    ->whereKey((int) $department)
                    ->update(['return_policy_id' => is_numeric($policy) ? (int) $policy : null]);
            }
        });

        return redirect()->route('return-rules')->with('done', 'The rules are kept.');
    }

    private static function percent(string $typed): string
    {
        try {
            return trim($typed) === ''
                ? '0'
                : Percentage::ofWhole(TypedNumber::plain(trim(str_replace('%', '', $typed))))->toString();
        } catch (Refused $refused) {
            throw ValidationException::withMessages(['fee_percent' => $refused->getMessage()]);
        }
    }
}
