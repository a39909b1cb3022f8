@use('Elmstone\Support\LadderPicture')
@use('Elmstone\Support\Show')
@use('Elmstone\Plans\SettlePlan')
@extends('layout')
@section('title', $plan->label)
@section('main')
<div class="page">
    <div class="page-head"><h1>Payment plan <span class="code">{{ $plan->label }}</span></h1>
    <span class="{{ $standing->late->isPositive() ? 'brick' : 'soft' }}">{{ $standing->open->isZero() ? 'paid'
        : ($standing->late->isPositive() ? Show::money($standing->late).' late' : 'running') }}</span>
        @if($standing->open->isPositive())@can('take-payments')<div class="end">
        <a class="quiet-act" href="{{ route('accounts.payment', $plan->customer) }}">Post a payment</a></div>
        @endcan @endif</div>
    @if(old('form') === null || session('done'))@include('design.messages')@endif
    <div class="split">
        <div>
            <table class="ruled">
                <thead><tr><th class="figure">Part</th><th>Due</th><th>Document</th><th class="figure">Amount</th>
                <th class="figure">Met</th><th class="figure">Open</th></tr></thead>
                @foreach($plan->parts as $part)<tr><td class="figure">{{ $part->position }}</td>
                <td class="{{ $part->item->open->isPositive() && $part->due->lessThan($day) ? 'brick'
                    : '' }}">{{ Show::date($part->due) }}</td><td>
                    <a class="code"
                        href="{{ route('documents.show', $part->document) }}">{{ $part->document->label }}</a></td>
                        <td class="figure">{{ $part->amount }}</td>
                        <td class="figure">{{ $part->item->open->equals($part->amount) ? ''
                            : Show::money($part->amount->minus($part->item->open)) }}</td>
                            <td class="figure">{{ $part->item->open->isZero() ? ''
                                : Show::money($part->item->open) }}</td></tr>
                            @endforeach
                <tfoot><tr class="total"><td colspan="3">In all</td>
                <td class="figure">{{ $plan->total() }}</td>
                <td class="figure">{{ $plan->total()->minus($standing->open) }}</td>
                <td class="figure">{{ $standing->open }}</td></tr></tfoot>
            </table>
            @can('take-payments')
            @if($standing->open->isPositive())
                <h2 class="mt-4">Settle it now</h2>
                <p class="small soft">
                All that is open in one payment. Of the flat charge, {{ $standing->chargeNotDue }} lies in
                    parts that are not due yet and may be let off.</p>
                <form class="filters" method="post" action="{{ route('plans.settle', $plan) }}">
                @csrf<input type="hidden" name="form" value="settle"><input type="hidden" name="key" value="{{ $key }}">
                    <div><label for="let_off">Let off</label><input class="form-control text-end w-6" id="let_off"
                        name="let_off" inputmode="decimal" autocomplete="off" placeholder="–"
                            value="{{ old('let_off') }}"></div>
                    <div><label for="way">Way</label><select class="form-select" id="way" name="way">
                    @foreach(SettlePlan::WAYS as $way)
                    <option value="{{ $way->value }}" @selected(old('way') === $way->value)>{{ $way->label() }}</option>
                    @endforeach</select></div>
                    <div><label for="reference">Cheque number or reference</label><input class="form-control"
                        id="reference" name="reference" maxlength="60" value="{{ old('reference') }}"></div>
                    <button class="quiet-act">Settle {{ $standing->open }} less what is let off</button>
                    @if(old('form') !== null)@error('refused')<p class="complaint w-100" role="alert">{{ $message }}</p>
                    @enderror @endif
                </form>
            @endif
            @endcan
        </div>
        <aside>
            <dl class="facts mb-3">
                <dt>Customer</dt><dd>
                <a href="{{ route('accounts.show', $plan->customer) }}">{{ $plan->customer->name }}</a></dd>
                <dt>Invoice</dt><dd>
                <a class="code"
                    href="{{ route('documents.show',
                        $plan->invoice) }}">{{ $plan->invoice->label }}</a> {{ $plan->principal }}</dd>
                @if($plan->chargeInvoice !== null)<dt>Flat charge</dt><dd>
                <a class="code"
                    href="{{ route('documents.show',
                        $plan->chargeInvoice) }}">{{ $plan->chargeInvoice->label }}</a> {{ $plan->charge }}</dd>
                        @endif
                <dt>Made</dt><dd>{{ Show::date($plan->made_on) }} by {{ $plan->staff->name }}</dd>
            </dl>
            {!! LadderPicture::svg($standing->ladder, $day, 'Parts as they fall due') !!}
        </aside>
    </div>
</div>
@endsection
