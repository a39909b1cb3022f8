@props(['period', 'action', 'keeps' => []])
@use('Elmstone\Support\Report\Period')
{{-- For which days a page is: buttons for what is asked most, or any days. --}}
<form class="filters period" method="get" action="{{ $action }}">
    @foreach($keeps as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
    <div class="buttons" role="group" aria-label="Period">@foreach(Period::NAMED as $name => $words)
        <button class="choice" name="period" value="{{ $name }}"
            @if($period->name === $name) aria-pressed="true" @endif>{{ $words }}</button>@endforeach</div>
    <div><label for="from">From</label><input class="form-control w-auto @error('from') is-refused @enderror"
        type="date" id="from" name="from" value="{{ old('from', $period->from->format('Y-m-d')) }}"></div>
    <div><label for="until">to</label><input class="form-control w-auto @error('until') is-refused @enderror"
        type="date" id="until" name="until" value="{{ old('until', $period->until->format('Y-m-d')) }}"></div>
    {{ $slot }}
    <button class="quiet-act">Show</button>
    @include('design.complaint', ['field' => 'from'])@include('design.complaint', ['field' => 'until'])
    @include('design.complaint', ['field' => 'period'])
</form>
