@use('Elmstone\Support\ShopTime')
@props(['report', 'action'])
{{-- As of which day a report is, and its file. --}}
<form class="filters" method="get" action="{{ $action }}">
    {{ $slot }}
    @if($report->day !== null)<div><label for="as_of">As of</label><input class="form-control" type="date" id="as_of"
        name="as_of" max="{{ ShopTime::today()->format('Y-m-d') }}" value="{{ $report->day->format('Y-m-d') }}"></div>
    <button class="quiet-act">Show</button>@endif
    <div class="ms-auto"><button type="button" class="link-act" x-data="prints" @click="now">Print</button> ·
    <a class="link-act" href="{{ $report->csvAddress() }}">Save as CSV</a></div>
    @error('as_of')<p class="complaint w-100">{{ $message }}</p>@enderror
</form>
