@use('Elmstone\Orders\OrderSource')
@use('Elmstone\Orders\OrderWay')
@use('Elmstone\Support\Show')
{{-- The slip as an order: how and when its goods reach the customer, line by line where lines differ. --}}
<div class="hold" id="order-part" data-part>
    @php $draft = $slip->isDone() ? null : $reckoned->order(); @endphp
    @if($draft !== null)
        @php
            $promise = $draft->promise;
            $save = route('counter.order.terms', $slip->key);
            $said = $complaint->within('order.') ? $complaint : null;
            $freight = $slip->lines->first(fn ($line) => $line->department_id === null);
        @endphp
        <h2 class="band-name">Order</h2>
        <div class="hold-row">
            <select class="form-select" id="order-source" name="source" aria-label="Where the order comes from"
                data-save="{{ $save }}">@foreach([OrderSource::Counter, OrderSource::Telephone,
                    OrderSource::Special] as $one)<option value="{{ $one->value }}"
                    @selected($promise->source === $one)>{{ $one->words() }}</option>@endforeach</select>
            <select class="form-select" id="order-way" name="way" aria-label="How the goods reach the customer"
                data-save="{{ $save }}">@foreach(OrderWay::cases() as $one)<option value="{{ $one->value }}"
                    @selected($promise->way === $one)>{{ $one->words() }}</option>@endforeach</select>
            <label for="order-from">from</label>
            <select class="form-select" id="order-from" name="from" data-save="{{ $save }}">
                @foreach($places as $place)<option value="{{ $place->id === $slip->location_id ? '' : $place->id }}"
                    @selected(($promise->from_id ?? $slip->location_id) === $place->id)>{{ $place->town }}</option>
                @endforeach</select>
            <label for="order-wanted">wanted</label><input type="date" class="form-control" id="order-wanted"
                name="wanted_on" data-save="{{ $save }}"
                    value="{{ $complaint->typedOr('order.wanted_on', $promise->wanted_on?->format('Y-m-d') ?? '') }}">
            <select class="form-select" id="order-when" name="wanted_when" aria-label="When on that day"
                data-save="{{ $save }}">@foreach(['' => 'any time', 'morning' => 'morning',
                    'afternoon' => 'afternoon'] as $value => $word)<option value="{{ $value }}"
                    @selected($promise->wanted_when === $value)>{{ $word }}</option>@endforeach</select>
            <label for="order-note">note</label><input class="form-control wide" id="order-note" name="note"
                maxlength="255" autocomplete="off" placeholder="for the picker and the customer"
                    data-save="{{ $save }}" value="{{ $promise->note }}">
        </div>
        @if($said !== null && ! $complaint->within('order.line') && ! $complaint->on('order.deposit')
            && ! $complaint->on('order.is_charged'))
            <p class="complaint" role="alert">{{ $said->message() }}</p>@endif
        @if($draft->isBrought())
            <div class="hold-row">
                <label for="order-to">to</label><input class="form-control wide" id="order-to" name="deliver_to"
                    maxlength="300" autocomplete="off" placeholder="street, town" data-save="{{ $save }}"
                        value="{{ $complaint->typedOr('order.deliver_to', $promise->deliver_to) }}">
                <label for="order-freight">freight</label><input class="form-control amount" id="order-freight"
                    name="freight" inputmode="decimal" autocomplete="off" placeholder="none" data-save="{{ $save }}"
                        value="{{ $complaint->typedOr('order.freight', $freight === null ? ''
                            : $freight->unit_price->shown($house->currency())) }}">
            </div>
        @endif
        <table class="order-lines">
            <thead><tr><th>Of these</th><th class="figure">free here</th><th class="figure">set aside now</th>
            <th class="figure">waits</th><th>can be had</th><th>reaches them by</th></tr></thead>
            <tbody>@foreach($slip->lines->whereNotNull('department_id') as $line)
                @php($row = $promises[$line->id] ?? null)
                <tr @class(['complained' => $complaint->on("order.line.{$line->id}")])>
                    <td>{{ Show::decimal($line->quantity) }} × {{ $line->description }}</td>
                    <td class="figure">{{ $row === null ? '–' : Show::decimal($row->free) }}</td>
                    <td class="figure">@if($row !== null)<input class="cell" id="aside-{{ $line->id }}" name="aside"
                        inputmode="decimal" autocomplete="off" aria-label="Set aside now of {{ $line->description }}"
                            placeholder="{{ Show::decimal($row->aside) }}"
                                data-save="{{ route('counter.order.line', [$slip->key, $line->id]) }}"
                                    value="{{ $complaint->typedOr("order.line.{$line->id}",
                                        $line->aside === null ? '' : Show::decimal($line->aside)) }}">@endif</td>
                    <td class="figure {{ $row?->waits->isPositive() ? 'ochre' : 'soft' }}">{{ $row === null ? ''
                        : Show::decimal($row->waits) }}</td>
                    <td class="small {{ $row?->day === null && $row?->waits->isPositive() ? 'ochre' : '' }}">{{
                        $row?->words() }}</td>
                    <td><select class="form-select form-select-sm" name="way" id="way-{{ $line->id }}"
                        aria-label="How {{ $line->description }} reaches them"
                            data-save="{{ route('counter.order.line', [$slip->key, $line->id]) }}">
                        <option value="">as all of it</option>@foreach(OrderWay::cases() as $one)<option
                            value="{{ $one->value }}" @selected($line->way === $one)>{{ $one->words() }}</option>
                        @endforeach</select></td>
                </tr>
                @if($complaint->on("order.line.{$line->id}"))<tr><td colspan="6"><p class="complaint"
                    role="alert">{{ $complaint->message() }}</p></td></tr>@endif
            @endforeach</tbody>
        </table>
        @if($draft->deposit()->isPositive())
            <div class="sign" id="sign" data-sign="{{ route('counter.order.sign', $slip->key) }}" x-data="signing"
                @pointerdown="begin" @pointermove.document="draw" @pointerup.document="lift">
                @if($draft->isSigned())
                    <svg class="signature" viewBox="0 0 360 90" role="img"
                        aria-label="Signature of {{ $promise->signed_by }}"><path d="{{ $promise->signature }}"/></svg>
                    <p class="small mb-0"><span class="verdigris fw-bold">✓ signed</span> by
                        {{ $promise->signed_by }} <button type="button" class="link-act"
                            data-sends="{{ route('counter.order.sign', $slip->key) }}" data-field="signature"
                                value="">Sign again</button></p>
                @else
                    <svg class="signature pad" viewBox="0 0 360 90" role="img"
                        aria-label="Sign here with mouse or pen"><path d=""/><text x="12"
                            y="80">{{ $promise->signature === null ? 'the customer signs here, or on the paper'
                                : 'changed since it was signed: sign again' }}</text></svg>
                    <p class="small mb-0 d-flex gap-2 align-items-center"><label for="signed-by"
                        class="soft">by</label><input class="form-control form-control-sm" id="signed-by"
                            name="signed_by" maxlength="120" autocomplete="off"
                                value="{{ $slip->contact->name ?? $slip->customer_name }}"> <button type="button"
                                    class="quiet-act keep" @click="keep" disabled>Keep signature</button></p>
                @endif
            </div>
        @endif
    @endif
</div>
