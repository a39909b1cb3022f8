@extends('layout')
@section('title', 'Web shop, played')
@section('main')
<div class="page">
    <div class="page-head"><h1>Web shop</h1><span class="soft">simulated: it sends orders to the address as a stranger
        would · <a href="{{ route('devices') }}">devices</a></span></div>
    @include('design.messages')
    <div class="split"><div>
    <form method="post" action="{{ route('devices.web-shop.place') }}" autocomplete="off">@csrf
        <div class="mb-2"><label class="small soft d-block" for="mood">The web shop</label><select class="form-select"
            id="mood" name="mood">@foreach($moods as $mood)<option value="{{ $mood->value }}"
                @selected(old('mood') === $mood->value)>{{ $mood->words() }}</option>@endforeach</select></div>
        <div class="mb-2"><label class="small soft d-block" for="customer">Who buys: customer’s number</label><input
            class="form-control w-8 @error('customer') is-refused @enderror" id="customer" name="customer"
                inputmode="numeric" value="{{ old('customer') }}">
            @include('design.complaint', ['field' => 'customer'])</div>
        <table class="ruled mb-2"><thead><tr><th>Code</th><th class="figure">How many</th></tr></thead><tbody>
            @for($row = 0; $row < $rows; $row++)<tr><td><input class="form-control @error("rows.{$row}") is-refused
                @enderror" name="rows[{{ $row }}][code]" aria-label="Code {{ $row + 1 }}"
                    value="{{ old("rows.{$row}.code") }}">@include('design.complaint', ['field' => "rows.{$row}"])</td>
                <td class="figure"><input class="form-control text-end w-6" name="rows[{{ $row }}][many]"
                    inputmode="decimal" placeholder="1" aria-label="How many"
                        value="{{ old("rows.{$row}.many") }}"></td></tr>
            @endfor
            </tbody></table>
        <label class="mb-2 d-block"><input type="checkbox" class="form-check-input" name="brought" value="1"
            @checked(old('brought'))> to the customer’s address</label>
        <button class="main-act narrow">Place the order</button>
    </form></div>
    <aside>@if(session('answer') !== null)<h2>The answer: {{ session('status') }}</h2>
        <pre class="small">{{ session('answer') }}</pre>@else<p class="soft">Nothing was sent yet.</p>@endif</aside>
    </div>
</div>
@endsection
