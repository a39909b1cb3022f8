@use('Elmstone\Support\Show')
@foreach($fit as $one)<button type="button" class="row-bought coupon" data-coupon="{{ $one->code }}"><span
    class="code">{{ $one->code }}</span><span>{{ $one->description }}</span><span class="figure">takes
        {{ Show::money($one->off) }} off</span></button>@endforeach
@if($fit === [])<p class="small soft mb-0">None in force fits this slip; one that was given to somebody is typed.</p>
@endif
