@include('errors.page')
