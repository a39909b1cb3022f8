@use('Elmstone\Core\Layaway\Ladder')
@use('Elmstone\Support\LadderPicture')
@extends('layout')
@section('title', "Pay {$document->label} in parts")
@section('main')
<div class="page">
    <div class="page-head">
    <h1>Pay <a class="plain code"
        href="{{ route('documents.show', $document) }}">{{ $document->label }}</a> in parts</h1>
        <span class="soft">{{ $document->customer_name }}, {{ $item->open }}
            {{ $house->currency()->code }} open</span></div>
    <div class="split">
        <div x-data="workedOut">
            <form class="item-form" method="get" action="{{ route('plans.create', $document) }}" @input="spoil">
                <div><label for="charge">Flat charge</label><input class="form-control" id="charge" name="charge"
                    autocomplete="off" placeholder="none" value="{{ old('charge', $form->charge) }}"></div>
                <div><label for="count">Parts</label><input class="form-control" id="count" name="count"
                    inputmode="numeric" autocomplete="off" value="{{ old('count', $form->count) }}"></div>
                <div><label for="rhythm">One every</label><select class="form-select" id="rhythm" name="rhythm">
                @foreach(['week' => 'week', 'fortnight' => 'two weeks', 'month' => 'month'] as $value => $word)
                <option value="{{ $value }}" @selected(old('rhythm', $form->rhythm) === $value)>{{ $word }}</option>
                @endforeach</select></div>
                <div><label for="first_due">First due</label><input class="form-control" type="date" id="first_due"
                    name="first_due" value="{{ old('first_due', $form->first) }}"></div>
                <div class="full"><button class="quiet-act">Work out</button></div>
            </form>
            @if($refused !== null)<p class="complaint" role="alert">{{ $refused->getMessage() }}</p>@endif
            @error('refused')<p class="complaint" role="alert">{{ $message }}</p>@enderror
            @if($schedule !== null)
                <table class="ruled narrow-table mt-3">
                    <tr><td>Open on the invoice</td>
                    <td class="figure">{{ $item->open }}</td></tr>
                    <tr><td>Flat charge{{ str_ends_with($form->charge, '%') ? ", {$form->charge}" : '' }}</td>
                    <td class="figure">{{ $schedule->total->minus($item->open) }}</td></tr>
                    <tr class="total">
                    <td>Paid in {{ count($schedule->instalments) }} {{ count($schedule->instalments) === 1 ? 'part'
                        : 'parts' }}</td><td class="figure">{{ $schedule->total }}</td></tr>
                </table>
                <form method="post" action="{{ route('plans.store', $document) }}" class="mt-3">
                @csrf<input type="hidden" name="key" value="{{ $key }}">
                    @foreach(['charge' => $form->charge, 'count' => $form->count, 'rhythm' => $form->rhythm,
                        'first_due' => $form->first] as $name => $value)<input type="hidden" name="{{ $name }}"
                            value="{{ $value }}">@endforeach
                    <button class="main-act narrow" :disabled="isStale">Make the plan</button>
                </form>
            @endif
        </div>
        <aside>@if($schedule !== null)
        <h2>Parts</h2>{!! LadderPicture::svg(Ladder::of($schedule->instalments, $house->money(0), $day), $day) !!}@endif
        </aside>
    </div>
</div>
@endsection
