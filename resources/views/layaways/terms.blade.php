@use('Elmstone\Layaways\PortionText')
@use('Elmstone\Plans\PlanTerms')
@use('Elmstone\Reminders\ReminderDays')
@extends('layout')
@section('title', 'Terms')
@section('main')
@php
    $plan = PlanTerms::of($house);
    $remind = ReminderDays::of($house);
    $signed = fn (int $day): string => $day > 0 ? "+{$day}" : (string) $day;
    $days = fn (array $days): string => implode(', ', array_map($signed, $days));
    $portion = fn (string $name): string => PortionText::write(
        $terms->terms->percent($name), $terms->terms->amount($name),
    );
    $every = ['week' => 'week', 'fortnight' => 'two weeks', 'month' => 'month'];
    $field = fn (string $name, string $value): string => (string) old($name, $value);
@endphp
<div class="page">
    <div class="page-head"><h1>Terms</h1>
    <span class="soft">what is proposed for new agreements; those that are made stay as they are</span></div>
    @include('design.messages')
    <form method="post" action="{{ route('layaways.terms.save') }}">@csrf
        <h2>Layaways</h2>
        <div class="item-form">
            @foreach([['min_deposit', 'Least deposit', $portion('min_deposit')],
                ['min_payment', 'Least payment, of what remains', $portion('min_payment')],
                    ['cancellation_fee', 'Fee if cancelled', $portion('cancellation_fee')],
                        ['service_fee', 'Service fee', $terms->serviceFee->isZero() ? ''
                            : $terms->serviceFee->toString()],
                                ['days', 'Runs, days', (string) $terms->days],
                                    ['grace_days', 'Days of grace', (string) $terms->graceDays]] as [$name, $label,
                                        $value])
                <div><label for="{{ $name }}">{{ $label }}</label><input
                    class="form-control @error($name) is-refused @enderror" id="{{ $name }}" name="{{ $name }}"
                        autocomplete="off"
                            value="{{ $field($name, $value) }}">@include('design.complaint', ['field' => $name])</div>
            @endforeach
            <div><label for="rhythm">A payment every</label><select class="form-select" id="rhythm" name="rhythm">
            @foreach($rhythms as $one)
            <option value="{{ $one->value }}"
                @selected($field('rhythm', $terms->rhythm->value) === $one->value)>{{ $every[$one->value] }}</option>
                @endforeach</select></div>
            <div><label for="fee_tax_class">Tax on fees</label>
            <select class="form-select" id="fee_tax_class" name="fee_tax_class"><option value="">not taxed</option>
            @foreach($classes as $class)
            <option value="{{ $class }}"
                @selected($field('fee_tax_class', (string) $shop->fee_tax_class) === $class)>{{ $class }}</option>
                @endforeach</select></div>
        </div>
        <p class="small soft mt-1">
        A term is a percentage, an amount, or both (“10 % 15.00”): then the larger holds. A fee includes its tax.</p>
        <h2 class="mt-4">Payment plans</h2>
        <div class="item-form">
            <div><label for="plan_charge">Flat charge</label><input
                class="form-control @error('plan_charge') is-refused @enderror" id="plan_charge" name="plan_charge"
                    autocomplete="off" placeholder="none"
                        value="{{ $field('plan_charge',
                            PortionText::write($plan->percent,
                                $plan->amount)) }}">@include('design.complaint', ['field' => 'plan_charge'])</div>
            <div><label for="plan_count">Parts</label><input
                class="form-control @error('plan_count') is-refused @enderror" id="plan_count" name="plan_count"
                    inputmode="numeric"
                        value="{{ $field('plan_count', (string) $plan->count) }}">@include('design.complaint',
                            ['field' => 'plan_count'])</div>
            <div><label for="plan_rhythm">One every</label>
            <select class="form-select" id="plan_rhythm" name="plan_rhythm">@foreach($rhythms as $one)
            <option value="{{ $one->value }}"
                @selected($field('plan_rhythm', $plan->rhythm->value) === $one->value)>{{ $every[$one->value] }}
                </option>@endforeach</select></div>
            <div><label for="plan_tax_class">Tax on the charge</label>
            <select class="form-select" id="plan_tax_class" name="plan_tax_class"><option value="">not taxed</option>
            @foreach($classes as $class)
            <option value="{{ $class }}"
                @selected($field('plan_tax_class', (string) $shop->plan_tax_class) === $class)>{{ $class }}</option>
                @endforeach</select></div>
        </div>
        <h2 class="mt-4">Reminders by mail</h2>
        <div class="item-form">
            @foreach([['remind_plan', 'Plans, days around each due date', $remind->plan],
                ['remind_layaway', 'Layaways, days around each due date', $remind->layaway],
                    ['remind_expiry', 'Layaways, days around the last day', $remind->expiry]] as [$name, $label,
                        $value])
                <div><label for="{{ $name }}">{{ $label }}</label><input
                    class="form-control @error($name) is-refused @enderror" id="{{ $name }}" name="{{ $name }}"
                        autocomplete="off" placeholder="none"
                            value="{{ $field($name, $days($value)) }}">@include('design.complaint', ['field' => $name])
                            </div>
            @endforeach
        </div>
        <p class="mt-4"><button class="main-act narrow">Keep the terms</button></p>
    </form>
</div>
@endsection
