<?php

declare(strict_types=1);

namespace Elmstone\Deliveries\Pages;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Deliveries\Vehicle;
use Elmstone\Staff\AtTill;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** The lorries of a place. */
final class VehicleController
{
    public function __construct(private readonly AtTill $atTill)
    {
    }

    public function index(): View
    {
        return view('deliveries.vehicles', [
            'vehicles' => Vehicle::query()
                ->where('location_id', $this->atTill->till()->location_id)
                ->orderByDesc('active')
                ->orderBy('name')
                ->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        return $this->save($request, new Vehicle(['location_id' => $this->atTill->till()->location_id]));
    }

    public function update(Request $request, Vehicle $vehicle): RedirectResponse
    {
        return $this->save($request, $vehicle);
    }

    private function save(Request $request, Vehicle $vehicle): RedirectResponse
    {
        $request->validate([
            'name' => [
                'required', 'string', 'max:60',
                Rule::unique('vehicles')->where('location_id', $vehicle->location_id)->ignore($vehicle->id),
            ],
            'carries' => ['nullable', 'string', 'max:12'],
        ], [
            'name.required' => 'Type what the lorry is called.',
            'name.unique' => 'There is a lorry of this name already.',
        ]);
        $vehicle->forceFill([
            'name' => $request->string('name')->trim()->value(),
            'carries' => $this->carries($request->string('carries')->trim()->value()),
            'active' => ! $vehicle->exists || $request->boolean('active'),
        ])->save();

        return redirect()->route('vehicles')->with('done', "{$vehicle->name} is saved.");
    }

    private function carries(string $typed): ?string
    {
        if ($typed === '') {
            return null;
        }

        try {
            return (string) Quantity::of(TypedNumber::plain($typed))->value->toScale(2);
        } catch (Refused $refused) {
            throw ValidationException::withMessages(['carries' => $refused->getMessage()]);
        }
    }
}
